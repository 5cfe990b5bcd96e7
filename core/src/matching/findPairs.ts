import { blockKeys, isContactPointKey } from './blockKeys';
import type { Likely, Matcher } from './comparePeople';
import type { Features } from './features';

/** Two records that are alike. */
export interface Pair extends Likely {
  /** Positions of both records in the register. */
  a: number;
  b: number;
}

/** A key that more records have says too little to bring them together; other keys do. */
const LARGEST_BLOCK = 400;

/** Numbers for keys and the records that have them, in one array each: a register of 100,000 has some three million of them. */
export class BlockIndex {
  readonly #blocks = new Map<string, number[]>();

  /**
   * @param seen as many numbers as there are records, kept between calls
   * @returns records added before that have a key in common with this one, each once; first those that have an address or number
   */
  add(record: number, features: Features, seen: Int32Array): { reached: number[]; others: number[] } {
    const found = { reached: [] as number[], others: [] as number[] };
    for (const key of blockKeys(features)) {
      const block = this.#blocks.get(key);
      if (!block) {
        this.#blocks.set(key, [record]);
        continue;
      }
      if (block.length > LARGEST_BLOCK) continue;
      const list = isContactPointKey(key) ? found.reached : found.others;
      for (const other of block) {
        if (seen[other] === record + 1) continue;
        seen[other] = record + 1;
        list.push(other);
      }
      block.push(record);
    }
    return found;
  }
}

/**
 * All pairs of a register in the upper two bands, as they are found. Memory grows with the register and not with the pairs.
 * Yields the number of records looked through with each record's pairs, so that a caller can tell how far it is, and stop.
 * @param part which of so many equal parts of the pairs is compared, from 0
 */
export function* findPairs(
  register: readonly Features[],
  matcher: Matcher,
  part = 0,
  parts = 1,
): Generator<{ done: number; pairs: Pair[] }> {
  const index = new BlockIndex();
  const seen = new Int32Array(register.length);
  for (let b = 0; b < register.length; b++) {
    const { reached, others } = index.add(b, register[b]!, seen);
    if (b % parts !== part) continue;
    const pairs: Pair[] = [];
    for (const [list, isReached] of [
      [reached, true],
      [others, false],
    ] as const) {
      for (const a of list) {
        const match = matcher.weighIfAlike(register[a]!, register[b]!, isReached);
        if (match) pairs.push({ ...match, a, b });
      }
    }
    yield { done: b + 1, pairs };
  }
}
