import { distance, renameCorners, type Quad } from '@dossier/core/capture';
import type { Pixels } from './pixels';
import { warpQuad } from './warp';

/** Height in pixels at which lines are recognised. */
export const LINE_HEIGHT = 48;
const WIDEST_LINE = 2400;
const STEP = 8;

/** The upright picture of a line, 48 pixels high. */
export function lineCrop(picture: Pixels, quad: Quad): Pixels {
  const width = (distance(quad[0], quad[1]) + distance(quad[3], quad[2])) / 2;
  const height = (distance(quad[0], quad[3]) + distance(quad[1], quad[2])) / 2;
  // The head counts a step for every four pixels and the neck one for eight: whole steps only.
  const steps = Math.round((LINE_HEIGHT * width) / Math.max(1, height) / STEP);
  const cropWidth = Math.min(WIDEST_LINE, Math.max(2, steps) * STEP);
  return warpQuad(picture, quad, cropWidth, LINE_HEIGHT);
}

/** Lines taller than 1.5 widths run up or down the card: their corners are renamed so that they read. */
export function isVertical(quad: Quad): boolean {
  return distance(quad[0], quad[3]) >= 1.5 * distance(quad[0], quad[1]);
}

/** Names the corners of a vertical line as if it were read from bottom to top. */
export const layFlat = (quad: Quad): Quad => (isVertical(quad) ? renameCorners(quad, 1) : quad);
