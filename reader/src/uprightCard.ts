import {
  distance,
  rectifiedSize,
  renameCorners,
  type CardOutline,
  type Quad,
  type QuarterTurns,
} from '@dossier/core/capture';
import { joinBroken } from './brokenLines';
import { detectText } from './detectText';
import { isUpsideDown } from './direction';
import { isVertical } from './lineCrop';
import type { Models } from './models';
import type { Pixels } from './pixels';
import { partWithin, resizePixels } from './resizePixels';
import { withSideLines } from './sideLines';
import { turnPixels, warpQuad } from './warp';

/** A card taken flat out of its photograph, with its text upright. */
export interface UprightCard {
  picture: Pixels;
  /** How far it was turned clockwise against its outline in the photograph. */
  turns: QuarterTurns;
  /** Outlines of its lines in pixels of `picture`. */
  lines: Quad[];
}

/** Takes a card out flat, with the right sides, and turns it so that its text stands upright, unless a person has. */
export async function uprightCard(models: Models, photo: Pixels, { quad, upright }: CardOutline): Promise<UprightCard> {
  const flat = await rectify(photo, quad);
  if (!upright) return turnUpright(models, flat);
  const found = (await detectText(models, flat)).map((box) => box.quad);
  return { picture: flat, turns: 0, lines: joinBroken(await withSideLines(models, flat, found)) };
}

/** Cuts the card out, shrinking with area averaging first when the photograph is much finer than needed. */
async function rectify(photo: Pixels, quad: Quad): Promise<Pixels> {
  const { width, height } = rectifiedSize(quad, [photo.width, photo.height]);
  const xs = quad.map((p) => p[0]);
  const ys = quad.map((p) => p[1]);
  const cut = partWithin(photo, {
    left: Math.min(...xs) - 2,
    top: Math.min(...ys) - 2,
    right: Math.max(...xs) + 2,
    bottom: Math.max(...ys) + 2,
  });
  const natural = Math.max(distance(quad[0], quad[1]), distance(quad[0], quad[3]));
  const scale = Math.min(1, (1.25 * Math.max(width, height)) / natural);
  const source = await resizePixels(
    photo,
    Math.max(1, Math.round(cut.width * scale)),
    Math.max(1, Math.round(cut.height * scale)),
    cut,
  );
  const sx = source.width / cut.width;
  const sy = source.height / cut.height;
  const moved = quad.map(([x, y]) => [(x - cut.left) * sx, (y - cut.top) * sy]) as unknown as Quad;
  return warpQuad(source, moved, width, height);
}

/** Turns a rectified card so that its text stands upright, and gives the boxes of its lines there. */
async function turnUpright(models: Models, flat: Pixels): Promise<UprightCard> {
  const found = (await detectText(models, flat)).map((b) => b.quad);
  const extent = (q: Quad) => Math.max(distance(q[0], q[1]), distance(q[0], q[3]));
  const total = found.reduce((sum, q) => sum + extent(q), 0);
  const vertical = found.filter(isVertical).reduce((sum, q) => sum + extent(q), 0);
  const lying = vertical > total / 2;
  const level = lying ? turnPixels(flat, 1) : flat;
  const levelBoxes = lying ? (await detectText(models, level)).map((b) => b.quad) : found;
  const upsideDown = await isUpsideDown(
    models,
    level,
    levelBoxes.filter((q) => !isVertical(q)),
  );
  const turns = ((lying ? 1 : 0) + (upsideDown ? 2 : 0)) as QuarterTurns;
  const turned = upsideDown ? levelBoxes.map((q) => turnHalf(q, level)) : levelBoxes;
  const picture = turnPixels(level, upsideDown ? 2 : 0);
  return { turns, picture, lines: joinBroken(await withSideLines(models, picture, turned)) };
}

const turnHalf = (quad: Quad, { width, height }: Pixels): Quad =>
  renameCorners(quad.map(([x, y]) => [width - x, height - y]) as unknown as Quad, 2);
