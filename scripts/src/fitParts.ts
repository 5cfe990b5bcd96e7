import { writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { scoreOf, type Weights } from '@dossier/core/reading/confidence';
import { readPart, type ReadPart } from './drawnParts';
import { fitDirected, risingCurve, type Directions, type Sample } from './logistic';

const root = join(dirname(fileURLToPath(import.meta.url)), '../..');
const SEEDS = { fit: 1, choose: 2 };
/** So much a squared weight costs: fewer wrong ones of a kind tell less. */
const PENALTY = 1;
/** Steps of the curve that scores are held against. */
const MOST_STEPS = 24;
const FEWEST_OF_STEP = 12;
export const FOLDS = 5;
const ENOUGH_WRONG = 10;

/** One value of a drawn card: what speaks for it, and whether it is right. */
export interface Judged {
  group: string;
  sample: Sample;
}

/** The cards that weights are fitted on, and those that tell how often a score was right. @param again draws and reads them though they are there */
export const readParts = async (rounds: number, again: boolean): Promise<Record<'fit' | 'choose', ReadPart>> => ({
  fit: await readPart('fit', SEEDS.fit, rounds, join(root, '.data/fit'), again),
  choose: await readPart('choose', SEEDS.choose, rounds, join(root, '.data/fit'), again),
});

interface Fitting {
  /** Which way features can only count. */
  known: Directions;
  /** Samples that a step of the curve stands for. */
  fewest?: number;
  silently?: boolean;
  /** The curve is told by samples that were fitted to as well, each by weights of the others. */
  byBoth?: boolean;
}

/** Fits each group of fields by itself, and tells of each what counts most. */
export function fitGroups(
  fit: readonly Judged[],
  choose: readonly Judged[],
  { known, fewest, silently = false, byBoth = false }: Fitting,
): Weights {
  const weights: Record<string, Weights[string]> = {};
  for (const group of [...new Set(fit.map((one) => one.group))].sort()) {
    const [own, held] = [fit, choose].map((part) => part.filter((one) => one.group === group).map(({ sample }) => sample)) as [Sample[], Sample[]]; // prettier-ignore
    const wrong = own.filter(({ right }) => !right).length;
    if (wrong === 0) {
      if (!silently)
        console.log(`${group.padEnd(8)} nothing wrong among ${own.length}: left to the rule for the others`);
      continue;
    }
    const model = fitDirected(own, PENALTY, known);
    const scored = held.map(({ features, right }) => ({ score: scoreOf(features, model), right }));
    // Where hardly anything of the others was wrong they say little about how often.
    const isTold = scored.filter(({ right }) => !right).length >= ENOUGH_WRONG;
    const all = isTold && !byBoth ? scored : [...scored, ...crossFitted(own, known)];
    const curve = risingCurve(all, fewest ?? Math.max(FEWEST_OF_STEP, Math.round(all.length / MOST_STEPS)));
    weights[group] = { ...model, curve };
    const strongest = Object.entries(model.weights).toSorted((a, b) => Math.abs(b[1]) - Math.abs(a[1])).slice(0, 6); // prettier-ignore
    if (!silently) console.log(`${group.padEnd(8)} ${own.length} with ${wrong} wrong, held against ${held.length} with ${scored.filter(({ right }) => !right).length} wrong, told apart ${rankedRight(scored).toFixed(3)}: ${strongest.map(([name, weight]) => `${name} ${weight.toFixed(1)}`).join(', ')}`); // prettier-ignore
  }
  return weights;
}

/** Writes weights into the core. @param file of the folder of stages @param from where their type is found there */
export function writeWeights(file: string, name: string, from: string, weights: Weights): void {
  const text = JSON.stringify(weights, (_, value: unknown) => (typeof value === 'number' ? Number(value.toFixed(3)) : value), 2); // prettier-ignore
  writeFileSync(
    join(root, 'core/src/reading', file),
    `import type { Weights } from '${from}';\n\n/** Written by \`npm run fit:confidence\`. */\nexport const ${name}: Weights = ${text};\n`,
  );
}

/** Scores of what was fitted to, each by weights that were fitted to the others. */
function crossFitted(samples: readonly Sample[], known: Directions): { score: number; right: boolean }[] {
  return Array.from({ length: FOLDS }, (_, fold) => {
    const model = fitDirected(samples.filter((__, i) => i % FOLDS !== fold), PENALTY, known);
    return samples.filter((__, i) => i % FOLDS === fold).map(({ features, right }) => ({ score: scoreOf(features, model), right }));
  }).flat();
} // prettier-ignore

/** How often something right has the higher score of a pair (area under the curve of C. Metz 1978). */
function rankedRight(scored: readonly { score: number; right: boolean }[]): number {
  const [right, wrong] = [scored.filter((one) => one.right), scored.filter((one) => !one.right)];
  const won = right.reduce((sum, a) => sum + wrong.reduce((all, b) => all + (a.score > b.score ? 1 : a.score === b.score ? 0.5 : 0), 0), 0); // prettier-ignore
  return won / (right.length * wrong.length);
}
