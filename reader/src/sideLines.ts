import { distance, type Point, type Quad } from '@dossier/core/capture';
import { detectText } from './detectText';
import { layFlat } from './lineCrop';
import type { Models } from './models';
import type { Pixels } from './pixels';
import { warpQuad } from './warp';

/** A strip along a side without level lines is looked at from this share of the card's width on. */
const NARROWEST = 0.05;
/** Long side in pixels of the strip's picture: letters of half its width stand well over the least the detector sees. */
const LOOK_LENGTH = 544;
/** Single letters of a turned line are as wide as high. */
const CLEARLY_LEVEL = 1.5;
/** A line is at least this many times as long as high. */
const LEAST_ASPECT = 2.5;
/** Share of pixels that differ from their neighbour as letters do; plain paper has hardly any (measured). */
const LEAST_DETAIL = 0.008;
const STEP_OF_LETTERS = 40;

/**
 * The lines of an upright card, with what runs along its left and right side: the detector, which looks for level text, often
 * sees a part of it only, or nothing. What was found there before gives way to what a turned look finds.
 * @param found outlines in pixels of the card
 * @returns them with every line's corners named so that it reads
 */
export async function withSideLines(models: Models, card: Pixels, found: readonly Quad[]): Promise<Quad[]> {
  const level = found.filter((quad) => distance(quad[0], quad[1]) >= CLEARLY_LEVEL * distance(quad[0], quad[3]));
  const xs = level.flat().map(([x]) => x);
  const strips: [number, number][] = level.length > 0 ? [[0, Math.min(...xs)], [Math.max(...xs), card.width]] : []; // prettier-ignore
  let lines = found.map(layFlat);
  for (const [left, right] of strips) {
    if (right - left < NARROWEST * card.width) continue;
    const seen = await linesAlong(models, card, Math.max(0, left), Math.min(card.width, right));
    if (seen.length > 0) lines = [...lines.filter((quad) => !liesBetween(quad, left, right)), ...seen];
  }
  return lines;
}

const liesBetween = (quad: Quad, left: number, right: number): boolean => {
  const middle = quad.reduce((sum, [x]) => sum + x, 0) / 4;
  return middle > left && middle < right;
};

/** Lines that run upward or downward in a strip of the card, named as if they were read upward. */
async function linesAlong(models: Models, card: Pixels, left: number, right: number): Promise<Quad[]> {
  const { height } = card;
  const scale = LOOK_LENGTH / height;
  const strip: Quad = [[left, height], [left, 0], [right, 0], [right, height]]; // prettier-ignore
  const turned = warpQuad(card, strip, LOOK_LENGTH, Math.max(1, Math.round((right - left) * scale)));
  if (detailOf(turned) < LEAST_DETAIL) return [];
  const boxes = await detectText(models, turned, LOOK_LENGTH);
  return boxes
    .map(({ quad }) => quad)
    .filter((quad) => distance(quad[0], quad[1]) >= LEAST_ASPECT * distance(quad[0], quad[3]))
    .map((quad) => quad.map(([u, v]): Point => [left + v / scale, height - u / scale]) as unknown as Quad);
}

/** Share of the pixels whose right neighbour is lighter or darker by more than a shadow is. */
function detailOf({ data, width, height }: Pixels): number {
  let steps = 0;
  for (let i = 3; i < data.length; i += 3) if (Math.abs(data[i + 1]! - data[i - 2]!) > STEP_OF_LETTERS) steps++;
  return steps / (width * height);
}
