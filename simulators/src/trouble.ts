/** How this system behaves, to try out what that does to others. */
export const TROUBLES = ['none', 'slow', 'busy', 'broken', 'half', 'expired', 'mixed'] as const;
export type Trouble = (typeof TROUBLES)[number];

export interface Switches {
  trouble: Trouble;
  /** To how many of the requests that happens, 0–1. */
  share: number;
}

/** Draws trouble from a seed, so that a run can be had again. */
export class TroubleMaker {
  switches: Switches = { trouble: 'none', share: 1 };

  constructor(private seed = 1) {}

  /** What happens to the next request. */
  next(): Exclude<Trouble, 'mixed'> {
    const { trouble, share } = this.switches;
    if (trouble === 'none' || this.draw() >= share) return 'none';
    if (trouble !== 'mixed') return trouble;
    const some = ['slow', 'busy', 'broken', 'half', 'expired'] as const;
    return some[Math.floor(this.draw() * some.length)]!;
  }

  /** 0–1 (mulberry32). */
  private draw(): number {
    this.seed = (this.seed + 0x6d2b79f5) | 0;
    let t = Math.imul(this.seed ^ (this.seed >>> 15), 1 | this.seed);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  }
}
