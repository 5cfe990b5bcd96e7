import { writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { KINDS, kindsOfWord, runsOf, wordsByKind, type WordKindModel } from '@dossier/core/reading/roles';

const FILE = join(dirname(fileURLToPath(import.meta.url)), '../../core/src/reading/tables/wordKinds.ts');

/** Rows of weights; more runs than these share some. */
const PLACES = 8192;
const ROUNDS = 14;
const RATE = 0.5;
/** Weights forget so much of themselves each round, so that what one word says alone counts little. */
const FORGETTING = 0.02;
export const WORD_FOLDS = 5;

interface Word {
  word: string;
  kind: number;
}

const allWords = (): Word[] => {
  const by = wordsByKind();
  const words = KINDS.flatMap((kind, i) => by[kind].map((word) => ({ word, kind: i })));
  // In an order that has nothing to do with the tables', and is the same each time.
  return words.map((one) => ({ one, at: placeOf(one.word) })).toSorted((a, b) => a.at - b.at).map(({ one }) => one); // prettier-ignore
};

const placeOf = (word: string): number => runsOf(`${word}${word}`, 1_000_003).reduce((sum, run) => (sum * 31 + run) % 1_000_003, 7); // prettier-ignore

export const foldOfWord = (word: string): number => placeOf(word) % WORD_FOLDS;

/** Softmax regression on runs of letters by stochastic gradients, kinds counting alike however many words they have. */
function fit(words: readonly Word[]): WordKindModel {
  const rows = words.map(({ word, kind }) => ({ runs: runsOf(word, PLACES), kind }));
  const counts = KINDS.map((_, kind) => rows.filter((row) => row.kind === kind).length);
  const share = counts.map((count) => words.length / KINDS.length / count);
  const weights = new Float64Array(PLACES * KINDS.length);
  const bias = KINDS.map(() => 0);
  for (let round = 0; round < ROUNDS; round++) {
    const rate = RATE / (1 + 0.3 * round);
    for (const { runs, kind } of rows) {
      const scale = 1 / Math.sqrt(runs.length);
      const scores = KINDS.map((_, k) => bias[k]! + runs.reduce((sum, run) => sum + weights[run * KINDS.length + k]!, 0) * scale); // prettier-ignore
      const most = Math.max(...scores);
      const likely = scores.map((score) => Math.exp(score - most));
      const sum = likely.reduce((all, one) => all + one, 0);
      KINDS.forEach((_, k) => {
        const off = share[kind]! * ((k === kind ? 1 : 0) - likely[k]! / sum);
        bias[k]! += 0.1 * rate * off;
        for (const run of runs) weights[run * KINDS.length + k]! += rate * off * scale;
      });
    }
    for (let j = 0; j < weights.length; j++) weights[j]! *= 1 - FORGETTING;
  }
  const step = Math.max(...weights.map(Math.abs)) / 127;
  return { weights: Int8Array.from(weights, (w) => Math.round(w / step)), step, bias };
}

/** One of all words, and for each part of them one of the others. */
export function fitWords(): { all: WordKindModel; without: WordKindModel[] } {
  const words = allWords();
  return { all: fit(words), without: Array.from({ length: WORD_FOLDS }, (_, fold) => fit(words.filter(({ word }) => foldOfWord(word) !== fold))) }; // prettier-ignore
}

/** Writes the model into the core. */
export function writeWords({ weights, step, bias }: WordKindModel): void {
  const said = Buffer.from(weights.buffer).toString('base64');
  writeFileSync(
    FILE,
    `import type { WordKindModel } from './wordKindModel';

const WEIGHTS = '${said}';

/** Written by \`npm run fit:roles\`. */
export const WORD_KINDS: WordKindModel = {
  weights: Int8Array.from(atob(WEIGHTS), (letter) => letter.charCodeAt(0)),
  step: ${step.toPrecision(4)},
  bias: [${bias.map((one) => one.toFixed(3)).join(', ')}],
};
`,
  );
}

/** How often a word that the model has not seen is likelier of its kind than one of another: area under the curve, by pairs of kinds. */
export function toldApart({ without }: { without: readonly WordKindModel[] }): string {
  const scored = allWords().map(({ word, kind }) => ({ kind, kinds: kindsOfWord(word, without[foldOfWord(word)]) }));
  return KINDS.flatMap((kind, k) => KINDS.filter((_, j) => j > k).map((other) => {
    const j = KINDS.indexOf(other);
    const odds = (one: (typeof scored)[number]) => Math.log(one.kinds[k]! / one.kinds[j]!);
    const [a, b] = [scored.filter((one) => one.kind === k).map(odds), scored.filter((one) => one.kind === j).map(odds)];
    const won = a.reduce((sum, x) => sum + b.reduce((all, y) => all + (x > y ? 1 : x === y ? 0.5 : 0), 0), 0);
    return `${kind}/${other} ${(won / a.length / b.length).toFixed(3)}`;
  })).join(', ');
} // prettier-ignore
