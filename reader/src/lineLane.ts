import type { Quad } from '@dossier/core/capture';
import type { ReadLine } from '@dossier/core/reading';
import { iconBefore } from './iconBefore';
import type { Recogniser } from './models';
import type { Pixels } from './pixels';
import { recogniseLine } from './recogniseLine';

/** The lines of an upright card, read by several threads between them. */
export interface SharedLines {
  card: Pixels;
  outlines: readonly Quad[];
  /** One number on shared memory: how many of the outlines somebody has begun with. */
  begun: Int32Array<SharedArrayBuffer>;
}

/** Reads what nobody else has begun, line after line, until none is left; what is not legible falls away. */
export async function readLane(models: Recogniser, { card, outlines, begun }: SharedLines): Promise<ReadLine[]> {
  const lines: ReadLine[] = [];
  for (let i = Atomics.add(begun, 0, 1); i < outlines.length; i = Atomics.add(begun, 0, 1)) {
    const line = await recogniseLine(models, card, outlines[i]!);
    if (line) lines.push(withIcon(card, line));
  }
  return lines;
}

/** Only before digits does an icon say more than the line itself. */
function withIcon(card: Pixels, line: ReadLine): ReadLine {
  const icon = /^\W*\d/.test(line.text) ? iconBefore(card, line.quad) : undefined;
  return icon ? { ...line, icon } : line;
}
