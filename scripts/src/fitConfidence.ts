import { writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import {
  draftFields,
  featuresOf,
  groupOfField,
  scoreOf,
  type FieldProposal,
  type Weights,
} from '@dossier/core/reading/confidence';
import { cardAt } from './doubts';
import { readPart, type ReadPart } from './drawnParts';
import { fitDirected, risingCurve, type Directions, type Sample } from './logistic';
import { isRight, wantedOfPrinted } from './shown';

/**
 * Fits how far each field can be believed, and writes the weights that ship with the core:
 *
 *     npm run fit:confidence -- [--rounds N] [--again]
 *
 * Draws cards of made-up people in layouts and typefaces that nothing else is judged on, reads them, and fits for each kind of field what
 * speaks for its being right; how often such a score was right is told by other cards, and by the same where weights of the others judge. The same seeds give the same weights. What was read is
 * kept: `--again` reads anew, as after a change of the reader.
 */
const { values } = parseArgs({ options: { rounds: { type: 'string', default: '2' }, again: { type: 'boolean', default: false } } }); // prettier-ignore
const root = join(dirname(fileURLToPath(import.meta.url)), '../..');
const folder = join(root, '.data/fit');
const SEEDS = { fit: 1, choose: 2 };
/** So much a squared weight costs: fewer wrong ones of a kind tell less. */
const PENALTY = 1;
/** Steps of the curve that scores are held against. */
const MOST_STEPS = 24;
const FEWEST_OF_STEP = 12;
const FOLDS = 5;
const ENOUGH_WRONG = 10;

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

type Judged = { group: string; sample: Sample };

function judged({ drawn, desk }: ReadPart): Judged[] {
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

const fit = judged(await readPart('fit', SEEDS.fit, Number(values.rounds), folder, values.again));
const choose = judged(await readPart('choose', SEEDS.choose, Number(values.rounds), folder, values.again));
const weights: Record<string, Weights[string]> = {};
for (const group of [...new Set(fit.map((one) => one.group))].sort()) {
  const [own, held] = [fit, choose].map((part) => part.filter((one) => one.group === group).map(({ sample }) => sample)) as [Sample[], Sample[]]; // prettier-ignore
  const wrong = own.filter(({ right }) => !right).length;
  if (wrong === 0) {
    console.log(`${group.padEnd(8)} nothing wrong among ${own.length}: left to the rule for the others`);
    continue;
  }
  const model = fitDirected(own, PENALTY, DIRECTIONS);
  const scored = held.map(({ features, right }) => ({ score: scoreOf(features, model), right }));
  // Where hardly anything of the others was wrong they say little about how often.
  const isTold = scored.filter(({ right }) => !right).length >= ENOUGH_WRONG;
  const all = isTold ? scored : [...scored, ...crossFitted(own)];
  const curve = risingCurve(all, Math.max(FEWEST_OF_STEP, Math.round(all.length / MOST_STEPS)));
  weights[group] = { ...model, curve };
  const strongest = Object.entries(model.weights).toSorted((a, b) => Math.abs(b[1]) - Math.abs(a[1])).slice(0, 6); // prettier-ignore
  console.log(`${group.padEnd(8)} ${own.length} with ${wrong} wrong, held against ${held.length} with ${scored.filter(({ right }) => !right).length} wrong, told apart ${rankedRight(scored).toFixed(3)}: ${strongest.map(([name, weight]) => `${name} ${weight.toFixed(1)}`).join(', ')}`); // prettier-ignore
}
const text = JSON.stringify(weights, (_, value: unknown) => (typeof value === 'number' ? Number(value.toFixed(3)) : value), 2); // prettier-ignore
writeFileSync(
  join(root, 'core/src/reading/confidence/weights.ts'),
  `import type { Weights } from './models';\n\n/** Written by \`npm run fit:confidence\`. */\nexport const WEIGHTS: Weights = ${text};\n`,
);

/** Scores of what was fitted to, each by weights that were fitted to the others. */
function crossFitted(samples: readonly Sample[]): { score: number; right: boolean }[] {
  return Array.from({ length: FOLDS }, (_, fold) => {
    const model = fitDirected(samples.filter((__, i) => i % FOLDS !== fold), PENALTY, DIRECTIONS);
    return samples.filter((__, i) => i % FOLDS === fold).map(({ features, right }) => ({ score: scoreOf(features, model), right }));
  }).flat();
} // prettier-ignore

/** How often something right has the higher score of a pair (area under the curve of C. Metz 1978). */
function rankedRight(scored: readonly { score: number; right: boolean }[]): number {
  const [right, wrong] = [scored.filter((one) => one.right), scored.filter((one) => !one.right)];
  const won = right.reduce((sum, a) => sum + wrong.reduce((all, b) => all + (a.score > b.score ? 1 : a.score === b.score ? 0.5 : 0), 0), 0); // prettier-ignore
  return won / (right.length * wrong.length);
}
