import { setImmediate } from 'node:timers/promises';
import { distance, type Quad } from '@dossier/core/capture';
import type { ReadLine } from '@dossier/core/reading';
import { readLane, type SharedLines } from './lineLane';
import type { Recogniser } from './models';
import type { Pixels } from './pixels';
import { onSecondThread } from './secondThread';

/** Lines that the second thread reads, or is going to. */
export interface BegunLines {
  shared: SharedLines;
  there: Promise<ReadLine[]>;
}

/**
 * Begins to read the lines of an upright card on the second thread. Two threads that read a line each are faster than one
 * whose engine divides every line (docs/decisions/two-lines-at-a-time.md).
 */
export function beginLines(card: Pixels, outlines: readonly Quad[]): BegunLines {
  // The longest first, so that neither thread is left with one at the end.
  const longestFirst = [...outlines].sort((a, b) => distance(b[0], b[1]) - distance(a[0], a[1]));
  const shared = { card, outlines: longestFirst, begun: new Int32Array(new SharedArrayBuffer(4)) };
  const there = outlines.length > 1 ? onSecondThread('readLines', shared) : Promise.resolve([]);
  // A failure is heard by who finishes them, which may be later.
  there.catch(() => undefined);
  return { shared, there };
}

/** Reads the rest of them here. @returns from top to bottom; those with nothing legible fall away */
export async function finishLines(models: Recogniser, { shared, there }: BegunLines): Promise<ReadLine[]> {
  // The engine holds its thread: what was begun beside this goes first.
  const here = async () => {
    await setImmediate();
    return readLane(models, shared);
  };
  const lanes = await Promise.all([there, here()]);
  return lanes.flat().sort((a, b) => a.quad[0][1] - b.quad[0][1] || a.quad[0][0] - b.quad[0][0]);
}

/** Reads the lines of an upright card, from top to bottom. */
export const readLines = (models: Recogniser, card: Pixels, outlines: readonly Quad[]): Promise<ReadLine[]> =>
  finishLines(models, beginLines(card, outlines));
