/** A repeatable stream of numbers in [0, 1): mulberry32 (T. Ettinger, 2017). */
export function randomFrom(seed: number): Random {
  let state = seed >>> 0;
  return new Random(() => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  });
}

export class Random {
  constructor(readonly next: () => number) {}

  /** A whole number from 0 up to, and without, `below`. */
  below(below: number): number {
    return Math.floor(this.next() * below);
  }

  chance(probability: number): boolean {
    return this.next() < probability;
  }

  pick<T>(list: readonly T[]): T {
    return list[this.below(list.length)]!;
  }

  /** One of a list whose first entries are the frequent ones, as names and firms are (G. K. Zipf 1949). */
  pickUneven<T>(list: readonly T[]): T {
    return list[Math.floor(list.length * this.next() ** 2.2)]!;
  }
}
