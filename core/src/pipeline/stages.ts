/** How far a piece of business is, as the workspace calls it. */
export interface StageLike {
  id: string;
  /** Percent, 0–100, where nobody said another one. */
  chance: number;
  /** After so many days in it something is stale; null for never. */
  staleDays: number | null;
}

/** What a piece of business was after something was done with it. */
export interface Standing {
  at: Date;
  stageId: string;
  state: 'open' | 'won' | 'lost';
}

/** How long it was where. @property until null while it still is there */
export interface Stay {
  stageId: string;
  state: Standing['state'];
  from: Date;
  until: Date | null;
  ms: number;
}

const DAY_MS = 24 * 60 * 60 * 1000;

/**
 * Where it has been, one after the other: all stays together last from the first standing until now. What leaves it where it was is no stay
 * of its own; of standings at one moment the last one counts. What is over stays over without an end.
 * @param standings the earliest first
 */
export function staysOf(standings: readonly Standing[], now: Date): Stay[] {
  const stays: Stay[] = [];
  for (const { at, stageId, state } of standings) {
    const last = stays.at(-1);
    if (last && last.stageId === stageId && last.state === state) continue;
    if (last) {
      last.until = at;
      last.ms = at.getTime() - last.from.getTime();
    }
    stays.push({ stageId, state, from: at, until: null, ms: Math.max(0, now.getTime() - at.getTime()) });
  }
  return stays;
}

/** The chance of something: its own, or that of its stage; what is over is certain. */
export function chanceOf(
  { state, chance }: { state: Standing['state']; chance: number | null },
  stage: Pick<StageLike, 'chance'>,
): number {
  if (state !== 'open') return state === 'won' ? 100 : 0;
  return chance ?? stage.chance;
}

/** Whether it has been in its stage for longer than the workspace wants. */
export const isStale = (
  { state, stageSince }: { state: Standing['state']; stageSince: Date },
  { staleDays }: Pick<StageLike, 'staleDays'>,
  now: Date,
): boolean => state === 'open' && staleDays !== null && now.getTime() - stageSince.getTime() >= staleDays * DAY_MS;

/** Whole days between two moments. */
export const daysBetween = (from: Date, to: Date): number =>
  Math.max(0, Math.floor((to.getTime() - from.getTime()) / DAY_MS));
