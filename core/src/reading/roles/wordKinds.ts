import { fold } from '../../text';
import type { WordKindModel } from '../tables/wordKindModel';
import { WORD_KINDS } from '../tables/wordKinds';

/** What a word is likely to be a part of by its letters, where no table knows it. */
export const KINDS = ['title', 'name', 'trade', 'other'] as const;
export type WordKind = (typeof KINDS)[number];

const [SHORTEST_RUN, LONGEST_RUN] = [2, 5];

/** Places of a word's runs of letters among so many (FNV-1a of G. Fowler, L. C. Noll and K.-P. Vo). */
export function runsOf(word: string, places: number): number[] {
  const letters = `^${fold(word).replace(/[^\p{L}'-]/gu, '')}$`;
  const found: number[] = [];
  for (let from = 0; from < letters.length; from++) {
    let hash = 0x811c9dc5;
    for (let length = 1; length <= LONGEST_RUN && from + length <= letters.length; length++) {
      hash = Math.imul(hash ^ letters.charCodeAt(from + length - 1), 0x01000193) >>> 0;
      if (length >= SHORTEST_RUN) found.push(((hash ^ (hash >>> 15)) >>> 0) % places);
    }
  }
  return found;
}

/** How likely a word is of each kind, 0–1, in their order. */
export function kindsOfWord(word: string, model: WordKindModel = WORD_KINDS): number[] {
  const runs = runsOf(word, model.weights.length / KINDS.length);
  const scores = KINDS.map((_, kind) => model.bias[kind]! + runs.reduce((sum, run) => sum + model.weights[run * KINDS.length + kind]! * model.step, 0) / Math.sqrt(runs.length)); // prettier-ignore
  const most = Math.max(...scores);
  const likely = scores.map((score) => Math.exp(score - most));
  const sum = likely.reduce((all, one) => all + one, 0);
  return likely.map((one) => one / sum);
}
