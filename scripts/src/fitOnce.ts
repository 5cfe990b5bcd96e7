import {
  draftFields,
  featuresOf,
  groupOfField,
  type FieldProposal,
  type Weights,
} from '@dossier/core/reading/confidence';
import { cardAt } from './doubts';
import { textsOf, type Part, type ReadPart } from './drawnParts';
import { fitGroups, type Judged } from './fitParts';
import type { Directions } from './logistic';
import { asidesOf, casesOf, Places, toldOf, withAside } from './roleCases';
import { isRight, wantedOfPrinted } from './shown';

/** What is known of features before anything is fitted: chance in a few samples must not turn it round. */
const FOR = [
  'leastSure',
  'trust',
  'told',
  'printedTwice',
  'agrees',
  'known',
  'knownAccent',
  'inMailbox',
  'form',
  'byName',
  'byFirm',
  'sameDomain',
];
const AGAINST = [
  'unsure', 'doubtfulCharacters', 'below70', 'below90', 'below99', 'rivalLetter', 'rivalAccent', 'likelyAccent', 'accentAsLikely', 'poorPicture', 'contested', 'offered', 'changed',
  'repairedLetter', 'repairedAccent', 'weakRole', 'inferred', 'joined', 'looseBelow', 'looseAbove', 'looseBeside', 'looseOnNext', 'atEdge', 'small', 'odd', 'nameless', 'letterBefore', 'goesOn', 'nearKnown', 'few', 'national', 'nationalUnplaced', 'unlabelled', 'american', 'otherCountry', 'single', 'looseLines', 'oneWord', 'looseInDomain', 'nearDomain', 'nearFirm', 'nearName', 'apart', 'manyParts', 'wordBefore', 'strangeLine', 'strangeLabel', 'trunkless', 'brokenOff', 'lettersAgainst',
]; // prettier-ignore
const DIRECTIONS: Directions = Object.fromEntries([
  ...FOR.map((name) => [name, 1] as const),
  ...AGAINST.map((name) => [name, -1] as const),
]);

/** What a first reading says of each value of drawn cards. */
export function judgedOnce({ drawn, desk }: ReadPart): Judged[] {
  return drawn.flatMap(({ card: printed, quad }, i) => {
    const found = cardAt(desk, String(i), quad);
    if (!found) return [];
    const [card, wanted] = [draftFields(found.reading), wantedOfPrinted(printed)];
    return card.drafts.flatMap((draft): Judged[] => {
      const group = groupOfField(draft.field);
      // A fax is in no list of numbers to call.
      const right = draft.phoneKind === 'fax' ? undefined : isRight(draft as unknown as FieldProposal, wanted);
      return group && right !== undefined ? [{ group, sample: { features: featuresOf(draft, card), right } }] : [];
    });
  });
}

/** So few cards have no title and an aside in its place. */
const ONE_ASIDE_OF = 36;

/** Titles that are none: asides where one is expected, which no drawn card has. */
function judgedAsides(part: Part, read: ReadPart): Judged[] {
  const told = toldOf(read).filter((_, i) => i % ONE_ASIDE_OF === 0);
  const asides = asidesOf(textsOf(part));
  return casesOf(told, new Places()).flatMap((own, i): Judged[] => {
    const without = withAside(told[i]!, own, asides[i % asides.length]!);
    if (!without) return [];
    const card = draftFields(without.reading);
    return card.drafts.filter(({ field }) => field === 'title').map((draft) => ({ group: 'title', sample: { features: featuresOf(draft, card), right: false } })); // prettier-ignore
  });
}

/** Weights of a first reading. @param silently tells nothing of what counts */
export const fitOnce = (fit: ReadPart, choose: ReadPart, silently = false): Weights => fitGroups([...judgedOnce(fit), ...judgedAsides('fit', fit)], [...judgedOnce(choose), ...judgedAsides('choose', choose)], { known: DIRECTIONS, silently }); // prettier-ignore
