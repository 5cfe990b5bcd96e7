import { LIMITS, Matcher, type Limits, type Match } from './comparePeople';
import type { Features } from './features';
import { findPairs, type Pair } from './findPairs';
import { FrequencyCounter } from './frequencies';
import { learnFrom, type Learned } from './learn';

export interface Sweep {
  /** Pairs in the upper two bands, the likeliest first. */
  pairs: (Match & Pair)[];
  frequencies: FrequencyCounter;
  learned: Learned;
}

/** Pairs from here on are kept until it is known how the register is. */
const KEPT_FROM = 0.02;

/**
 * Looks through a whole register: counts how frequent its names and firms are, compares whoever has something in common, learns
 * from that how often records of one person differ, and judges the pairs anew. Yields now and then the share that is done, 0–1.
 */
export function* sweep(register: readonly Features[], limits: Limits = LIMITS): Generator<number, Sweep> {
  const frequencies = new FrequencyCounter();
  for (const features of register) frequencies.add(features);
  const first = new Matcher({ frequencies, limits: { ...limits, perhaps: Math.min(KEPT_FROM, limits.perhaps) } });
  const candidates: Pair[] = [];
  for (const { done, pairs } of findPairs(register, first)) {
    for (const pair of pairs) candidates.push(pair);
    if (done % YIELD_EVERY === 0) yield done / register.length;
  }
  const learned = learnFrom(candidates, register.length);
  const matcher = new Matcher({ frequencies, ...learned, limits });
  const pairs = candidates
    .filter(({ a, b }) => matcher.weighIfAlike(register[a]!, register[b]!, true))
    .map(({ a, b }) => ({ ...matcher.compare(register[a]!, register[b]!), a, b }))
    .sort((x, y) => y.likelihood - x.likelihood || x.a - y.a || x.b - y.b);
  return { pairs, frequencies, learned };
}

const YIELD_EVERY = 200;
