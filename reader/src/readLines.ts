import type { Quad } from '@dossier/core/capture';
import type { ReadLine } from '@dossier/core/reading';
import type { Models } from './models';
import type { Pixels } from './pixels';
import { iconBefore } from './iconBefore';
import { recogniseLine } from './recogniseLine';

/** Reads the lines of an upright card, from top to bottom; those with nothing legible fall away. */
export async function readLines(models: Models, card: Pixels, outlines: readonly Quad[]): Promise<ReadLine[]> {
  const lines: ReadLine[] = [];
  for (const outline of outlines) {
    const line = await recogniseLine(models, card, outline);
    if (line) lines.push(withIcon(card, line));
  }
  return lines.sort((a, b) => a.quad[0][1] - b.quad[0][1] || a.quad[0][0] - b.quad[0][0]);
}

/** Only before digits does an icon say more than the line itself. */
function withIcon(card: Pixels, line: ReadLine): ReadLine {
  const icon = /^\W*\d/.test(line.text) ? iconBefore(card, line.quad) : undefined;
  return icon ? { ...line, icon } : line;
}
