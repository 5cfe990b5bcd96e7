import {
  draftFields,
  featuresOf,
  groupOfField,
  type FieldProposal,
  type Weights,
} from '@dossier/core/reading/confidence';
import { cardAt } from './doubts';
import type { ReadPart } from './drawnParts';
import { fitGroups, type Judged } from './fitParts';
import type { Directions } from './logistic';
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
  'repairedLetter', 'repairedAccent', 'weakRole', 'inferred', 'joined', 'looseBelow', 'looseAbove', 'looseBeside', 'looseOnNext', 'atEdge', 'small', 'odd', 'nameless', 'letterBefore', 'goesOn', 'nearKnown', 'few', 'national', 'nationalUnplaced', 'unlabelled', 'american', 'otherCountry', 'single', 'looseLines', 'oneWord', 'looseInDomain', 'nearDomain', 'nearFirm', 'nearName', 'apart', 'manyParts', 'wordBefore', 'strangeLine', 'strangeLabel', 'trunkless', 'brokenOff',
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

/** Weights of a first reading. @param silently tells nothing of what counts */
export const fitOnce = (fit: ReadPart, choose: ReadPart, silently = false): Weights => fitGroups(judgedOnce(fit), judgedOnce(choose), { known: DIRECTIONS, silently }); // prettier-ignore
