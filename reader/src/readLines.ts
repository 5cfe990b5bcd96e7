import { setImmediate } from 'node:timers/promises';
import { distance, type Quad } from '@dossier/core/capture';
import type { ReadLine } from '@dossier/core/reading';
import { readLane } from './lineLane';
import type { Recogniser } from './models';
import type { Pixels } from './pixels';
import { onSecondThread } from './secondThread';

/**
 * Reads the lines of an upright card, from top to bottom; those with nothing legible fall away. Two threads that read a
 * line each are faster than one whose engine divides every line (docs/decisions/two-lines-at-a-time.md).
 */
export async function readLines(models: Recogniser, card: Pixels, outlines: readonly Quad[]): Promise<ReadLine[]> {
  // The longest first, so that neither thread is left with one at the end.
  const longestFirst = [...outlines].sort((a, b) => distance(b[0], b[1]) - distance(a[0], a[1]));
  const shared = { card, outlines: longestFirst, begun: new Int32Array(new SharedArrayBuffer(4)) };
  // The engine holds its thread: what was begun beside this goes first, while the other thread reads already.
  const here = async () => {
    await setImmediate();
    return readLane(models, shared);
  };
  const lanes = await Promise.all([outlines.length > 1 ? onSecondThread('readLines', shared) : [], here()]);
  return lanes.flat().sort((a, b) => a.quad[0][1] - b.quad[0][1] || a.quad[0][0] - b.quad[0][0]);
}
