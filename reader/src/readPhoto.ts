import {
  distance,
  LONGEST_RECTIFIED_SIDE,
  rectangle,
  rectifiedSize,
  renameCorners,
  type Quad,
  type QuarterTurns,
} from '@dossier/core/capture';
import type { Reading, ReadLine } from '@dossier/core/reading';
import { decodePhoto } from './decodePhoto';
import { detectText } from './detectText';
import { isUpsideDown } from './direction';
import { encodeJpeg } from './encodeJpeg';
import { findCards } from './findCards';
import { isVertical, layFlat } from './lineCrop';
import { ENGINE_VERSION, loadModels, type Models } from './models';
import { measureQuality } from './measureQuality';
import type { Pixels } from './pixels';
import { readCodes } from './readCodes';
import { recogniseLine } from './recogniseLine';
import { cropPixels, resizePixels } from './resizePixels';
import { turnPixels, warpQuad } from './warp';

/** One card found in a photograph, upright and read. */
export interface CardRead {
  /** Outline in pixels of the displayed photograph, top left first in the card's own reading order. */
  quad: Quad;
  /** The rectified, upright card as JPEG; the reading's coordinates are its pixels. */
  picture: Uint8Array;
  /** The same in small, for lists. */
  thumbnail: Uint8Array;
  reading: Reading;
}

export interface PhotoRead {
  /** Size of the displayed photograph in pixels. */
  width: number;
  height: number;
  cards: CardRead[];
  /** The whole photograph as one card without text, for when there is none to be found. */
  whole: CardRead;
  engine: string;
}

/** Long side of a thumbnail in pixels: two to one on a list 140 wide. */
const THUMBNAIL_SIDE = 320;

export interface ReadPhotoOptions {
  /** Told after each step how far the work is, 0–1. */
  onProgress?: (share: number) => void;
}

/**
 * Reads a photograph: decodes it, finds its cards, takes each out flat and upright, finds and
 * recognises its lines.
 * @param bytes JPEG, PNG, WebP or HEIC, at most 15 MB and 60 megapixels
 * @throws UnreadablePhoto when the bytes are no readable picture
 */
export async function readPhoto(bytes: Uint8Array, options: ReadPhotoOptions = {}): Promise<PhotoRead> {
  const progress = options.onProgress ?? (() => undefined);
  const [models, photo] = await Promise.all([loadModels(), decodePhoto(bytes)]);
  progress(0.15);
  const quads = await findCards(models, photo);
  progress(0.3);
  const cards: CardRead[] = [];
  for (const [i, quad] of quads.entries()) {
    const card = await readCard(models, photo, quad);
    if (card) cards.push(card);
    progress(0.3 + (0.7 * (i + 1)) / quads.length);
  }
  const whole = await unreadCard(photo);
  return { width: photo.width, height: photo.height, cards, whole, engine: ENGINE_VERSION };
}

/** The photograph itself in place of a card. */
async function unreadCard(photo: Pixels): Promise<CardRead> {
  const quad = rectangle(0, 0, photo.width, photo.height);
  const scale = Math.min(1, LONGEST_RECTIFIED_SIDE / Math.max(photo.width, photo.height));
  const picture = await resizePixels(photo, Math.round(photo.width * scale), Math.round(photo.height * scale));
  return { quad, ...(await pictures(picture)), reading: { width: picture.width, height: picture.height, lines: [] } };
}

async function pictures(card: Pixels): Promise<Pick<CardRead, 'picture' | 'thumbnail'>> {
  const scale = Math.min(1, THUMBNAIL_SIDE / Math.max(card.width, card.height));
  const small = await resizePixels(
    card,
    Math.max(1, Math.round(card.width * scale)),
    Math.max(1, Math.round(card.height * scale)),
  );
  return { picture: await encodeJpeg(card), thumbnail: await encodeJpeg(small) };
}

async function readCard(models: Models, photo: Pixels, quad: Quad): Promise<CardRead | undefined> {
  const flat = await rectify(photo, quad);
  const { turns, upright, boxes } = await turnUpright(models, flat);
  const lines = await recogniseAll(models, upright, boxes);
  const codes = await readCodes(upright);
  if (lines.length === 0 && codes.length === 0) return undefined;
  const placed = renameCorners(quad, turns);
  const quality = measureQuality(
    upright,
    lines.map((line) => line.quad),
    { pixels: photo, quad: placed },
  );
  return {
    quad: placed,
    ...(await pictures(upright)),
    reading: { width: upright.width, height: upright.height, lines, codes, quality },
  };
}

/** Cuts the card out, shrinking with area averaging first when the photograph is much finer than needed. */
async function rectify(photo: Pixels, quad: Quad): Promise<Pixels> {
  const { width, height } = rectifiedSize(quad, [photo.width, photo.height]);
  const xs = quad.map((p) => p[0]);
  const ys = quad.map((p) => p[1]);
  const cut = await cropPixels(photo, {
    left: Math.min(...xs) - 2,
    top: Math.min(...ys) - 2,
    right: Math.max(...xs) + 2,
    bottom: Math.max(...ys) + 2,
  });
  const natural = Math.max(distance(quad[0], quad[1]), distance(quad[0], quad[3]));
  const scale = Math.min(1, (1.25 * Math.max(width, height)) / natural);
  const source = await resizePixels(
    cut.pixels,
    Math.max(1, Math.round(cut.pixels.width * scale)),
    Math.max(1, Math.round(cut.pixels.height * scale)),
  );
  const sx = source.width / cut.pixels.width;
  const sy = source.height / cut.pixels.height;
  const moved = quad.map(([x, y]) => [(x - cut.left) * sx, (y - cut.top) * sy]) as unknown as Quad;
  return warpQuad(source, moved, width, height);
}

/** Turns a rectified card so that its text stands upright, and gives the boxes of its lines there. */
async function turnUpright(
  models: Models,
  flat: Pixels,
): Promise<{ turns: QuarterTurns; upright: Pixels; boxes: Quad[] }> {
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
  return { turns, upright: turnPixels(level, upsideDown ? 2 : 0), boxes: turned.map(layFlat) };
}

const turnHalf = (quad: Quad, { width, height }: Pixels): Quad =>
  renameCorners(quad.map(([x, y]) => [width - x, height - y]) as unknown as Quad, 2);

/** Two lines at a time: one session thread each keeps both cores busy without contention. */
async function recogniseAll(models: Models, card: Pixels, boxes: readonly Quad[]): Promise<ReadLine[]> {
  const results: (ReadLine | undefined)[] = new Array(boxes.length);
  let next = 0;
  const lane = async () => {
    for (let i = next++; i < boxes.length; i = next++) results[i] = await recogniseLine(models, card, boxes[i]!);
  };
  await Promise.all([lane(), lane()]);
  return results
    .filter((line) => line !== undefined)
    .sort((a, b) => a.quad[0][1] - b.quad[0][1] || a.quad[0][0] - b.quad[0][0]);
}
