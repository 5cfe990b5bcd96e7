import { rectangle, type Point, type Quad } from '@dossier/core/capture';
import type { ReadLine } from '@dossier/core/reading';
import { decodePhoto } from './decodePhoto';
import { detectText } from './detectText';
import { layFlat } from './lineCrop';
import { loadModels } from './models';
import { readLines } from './readLines';
import { partWithin, resizePixels } from './resizePixels';

/** An upright rectangle by two opposite corners, in pixels of the card's picture. */
export interface CardArea {
  from: Point;
  to: Point;
}

/** A rectangle hardly higher than this many pixels holds one line, whether or not the detector sees it. */
const LEAST_SIDE = 6;

/**
 * Reads a part of a card picture on the spot: what the detector finds there, or the rectangle itself as one line when it
 * finds nothing.
 * @param bytes the rectified, upright card
 * @returns lines with outlines in pixels of the whole card; none when nothing is legible
 * @throws UnreadablePhoto when the bytes are no readable picture
 */
export async function readArea(bytes: Uint8Array, { from, to }: CardArea): Promise<ReadLine[]> {
  const [models, card] = await Promise.all([loadModels(), decodePhoto(bytes)]);
  const left = Math.max(0, Math.min(from[0], to[0]));
  const top = Math.max(0, Math.min(from[1], to[1]));
  const right = Math.min(card.width, Math.max(from[0], to[0]));
  const bottom = Math.min(card.height, Math.max(from[1], to[1]));
  if (right - left < LEAST_SIDE || bottom - top < LEAST_SIDE) return [];
  const cut = partWithin(card, { left, top, right, bottom });
  const found = await detectText(models, await resizePixels(card, cut.width, cut.height, cut));
  const moved = found.map(({ quad }) => layFlat(quad.map(([x, y]) => [x + cut.left, y + cut.top]) as unknown as Quad));
  const lines = await readLines(models, card, moved);
  return lines.length > 0 ? lines : readLines(models, card, [rectangle(left, top, right - left, bottom - top)]);
}
