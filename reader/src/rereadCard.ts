import type { ReadLine, SecondReading } from '@dossier/core/reading';
import { joinBroken } from './brokenLines';
import { decodePhoto } from './decodePhoto';
import { detectText } from './detectText';
import { loadModels } from './models';
import { readBaseLetters } from './recogniseHan';
import { growUpAndDown, recogniseLine } from './recogniseLine';
import { withSideLines } from './sideLines';

/** Lines are looked for in a larger picture than the first time: they are cut otherwise, and at other places. */
const LONG_SIDE = 1088;
/** And read with so much more above and below, in line heights. */
const MARGIN = 0.06;

/**
 * Reads a card once more in another way, so that what was read the first time can be held against it.
 * @param bytes the rectified, upright card
 * @throws UnreadablePhoto when the bytes are no readable picture
 */
export async function rereadCard(bytes: Uint8Array): Promise<SecondReading> {
  const [models, card] = await Promise.all([loadModels(), decodePhoto(bytes)]);
  const found = (await detectText(models, card, LONG_SIDE)).map(({ quad }) => quad);
  const lines: ReadLine[] = [];
  const baseLetters: string[] = [];
  for (const quad of joinBroken(await withSideLines(models, card, found))) {
    const line = await recogniseLine(models, card, growUpAndDown(quad, MARGIN, MARGIN));
    if (line) lines.push(line);
    baseLetters.push((await readBaseLetters(card, quad)).map(({ text }) => text).join(''));
  }
  return { lines, baseLetters };
}
