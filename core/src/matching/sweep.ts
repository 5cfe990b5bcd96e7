import { LIMITS, Matcher, type Limits, type Match } from './comparePeople';
import type { Features } from './features';
import { findPairs, type Pair } from './findPairs';
import { FrequencyCounter } from './frequencies';
import { learnFrom, type Learned } from './learn';

export interface Sweep {
  /** Pairs in the upper two bands, the likeliest first. */
  pairs: MatchedPair[];
  frequencies: FrequencyCounter;
  learned: Learned;
}

export type MatchedPair = Match & Pair;

/** Pairs from here on are kept until it is known how the register is. */
const KEPT_FROM = 0.02;

/**
 * Looks through a whole register, or through one of several equal parts of its pairs, so that several processes can share the work:
 * each has the whole register. Counts how frequent names and firms are, and compares whoever has something in common.
 */
export class RegisterSearch {
  readonly frequencies = new FrequencyCounter();
  readonly #candidates: Pair[] = [];

  /** @param part which of the parts this is, from 0 */
  constructor(
    readonly register: readonly Features[],
    readonly limits: Limits = LIMITS,
    readonly part = 0,
    readonly parts = 1,
  ) {
    for (const features of register) this.frequencies.add(features);
  }

  /** Pairs that may be in the upper bands, to learn from. Yields now and then the share that is done, 0–1. */
  *candidates(): Generator<number, readonly Pair[]> {
    const { limits, frequencies, register } = this;
    const matcher = new Matcher({ frequencies, limits: { ...limits, perhaps: Math.min(KEPT_FROM, limits.perhaps) } });
    for (const { done, pairs } of findPairs(register, matcher, this.part, this.parts)) {
      for (const pair of pairs) this.#candidates.push(pair);
      if (done % YIELD_EVERY === 0) yield done / register.length;
    }
    return this.#candidates;
  }

  /** Judges the candidates by what was learned from all parts. */
  judge(learned: Learned): MatchedPair[] {
    const { limits, frequencies, register } = this;
    const matcher = new Matcher({ frequencies, ...learned, limits });
    return this.#candidates
      .filter(({ a, b }) => matcher.weighIfAlike(register[a]!, register[b]!, true))
      .map(({ a, b }) => ({ ...matcher.compare(register[a]!, register[b]!), a, b }));
  }
}

export const likeliestFirst = (pairs: readonly MatchedPair[]): MatchedPair[] =>
  [...pairs].sort((x, y) => y.likelihood - x.likelihood || x.a - y.a || x.b - y.b);

/** Searches, learns from what was found how often records of one person differ, and judges anew. Yields the share done, 0–1. */
export function* sweep(register: readonly Features[], limits: Limits = LIMITS): Generator<number, Sweep> {
  const search = new RegisterSearch(register, limits);
  const learned = learnFrom(yield* search.candidates(), register.length);
  return { pairs: likeliestFirst(search.judge(learned)), frequencies: search.frequencies, learned };
}

const YIELD_EVERY = 200;
