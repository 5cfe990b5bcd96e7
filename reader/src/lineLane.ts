import type { Point, Quad } from '@dossier/core/capture';
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

/** What an icon was read as that lies within the outline of its line: "& 027 440 9118". */
const SIGN = /^(?:[^\s\d+(]{1,2}|\d)\s+(?=[+(]?\d)/;

/** A line with what the icon before it stands for; only before digits does that say more than the line itself. */
export function withIcon(card: Pixels, line: ReadLine): ReadLine {
  const sign = SIGN.exec(line.text);
  if (!sign && !/^\W*\d/.test(line.text)) return line;
  const icon = iconBefore(card, sign ? behind(line.quad, line.characters[sign[0].length - 1]!.at) : line.quad);
  return icon ? { ...line, icon } : line;
}

/** What lies behind a place along a line, 0–1. */
function behind([a, b, c, d]: Quad, place: number): Quad {
  const along = (from: Point, to: Point): Point => [
    from[0] + (to[0] - from[0]) * place,
    from[1] + (to[1] - from[1]) * place,
  ];
  return [along(a, b), b, c, along(d, c)];
}
