import { LONGEST_RECTIFIED_SIDE, rectangle, renameCorners, type CardOutline, type Quad } from '@dossier/core/capture';
import type { Reading } from '@dossier/core/reading';
import { decodePhoto, type Photo } from './decodePhoto';
import { encodeJpeg } from './encodeJpeg';
import { findCards } from './findCards';
import { measureQuality } from './measureQuality';
import { ENGINE_VERSION, loadModels, type Models } from './models';
import type { Pixels } from './pixels';
import { readCodes } from './readCodes';
import { beginLines, finishLines, type BegunLines } from './readLines';
import { resizePixels } from './resizePixels';
import { uprightCard, type UprightCard } from './uprightCard';

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
  /** Around text that is on none of them, in pixels of the displayed photograph; not where outlines were given. */
  beside?: readonly Quad[];
  /** The whole photograph as one card without text, where there is none to be found. */
  whole: CardRead | undefined;
  engine: string;
}

/** Long side of a thumbnail in pixels: two to one on a list 140 wide. */
const THUMBNAIL_SIDE = 320;

export interface ReadPhotoOptions {
  /**
   * Outlines set by a person in place of finding them. Each gives one card in `cards`, in the same order, also when
   * nothing can be read there.
   */
  outlines?: readonly CardOutline[];
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
  const [models, photo] = await Promise.all([loadModels(), decodePhoto(bytes)]);
  options.onProgress?.(0.15);
  const { cards, beside } = await readCards(models, photo, options);
  const whole = cards.length === 0 ? await unreadCard(photo) : undefined;
  return { width: photo.width, height: photo.height, cards, beside, whole, engine: ENGINE_VERSION };
}

async function readCards(
  models: Models,
  photo: Photo,
  options: ReadPhotoOptions,
): Promise<Pick<PhotoRead, 'cards' | 'beside'>> {
  const found = options.outlines ? { cards: [], beside: [] } : await findCards(models, photo);
  const outlines = options.outlines ?? found.cards.map((quad) => ({ quad, upright: false }));
  options.onProgress?.(0.3);
  const cards: CardRead[] = [];
  const begin = async (outline: CardOutline | undefined) => outline && beginCard(models, photo, outline);
  let begun = await begin(outlines[0]);
  for (let done = 1; begun; done++) {
    // The second thread is not left without lines: the next card is taken out before this one's are finished here.
    const next = await begin(outlines[done]);
    const card = await finishCard(models, photo, begun);
    if (options.outlines || card.reading.lines.length > 0 || card.reading.codes!.length > 0) cards.push(card);
    options.onProgress?.(0.3 + (0.7 * done) / outlines.length);
    begun = next;
  }
  return { cards, beside: found.beside };
}

/** The photograph itself in place of a card. */
async function unreadCard(photo: Photo): Promise<CardRead> {
  const quad = rectangle(0, 0, photo.width, photo.height);
  const scale = Math.min(1, LONGEST_RECTIFIED_SIDE / Math.max(photo.width, photo.height));
  const picture = await resizePixels(photo, Math.round(photo.width * scale), Math.round(photo.height * scale));
  return {
    quad,
    ...(await pictures(picture, photo.colourProfile)),
    reading: { width: picture.width, height: picture.height, lines: [] },
  };
}

async function pictures(card: Pixels, colourProfile?: Uint8Array): Promise<Pick<CardRead, 'picture' | 'thumbnail'>> {
  const scale = Math.min(1, THUMBNAIL_SIDE / Math.max(card.width, card.height));
  const small = await resizePixels(
    card,
    Math.max(1, Math.round(card.width * scale)),
    Math.max(1, Math.round(card.height * scale)),
  );
  return { picture: await encodeJpeg(card, colourProfile), thumbnail: await encodeJpeg(small, colourProfile) };
}

interface BegunCard extends UprightCard {
  /** Outline in the photograph, as it was found. */
  outline: Quad;
  reading: BegunLines;
}

async function beginCard(models: Models, photo: Photo, outline: CardOutline): Promise<BegunCard> {
  const upright = await uprightCard(models, photo, outline);
  return { ...upright, outline: outline.quad, reading: beginLines(upright.picture, upright.lines) };
}

async function finishCard(models: Models, photo: Photo, begun: BegunCard): Promise<CardRead> {
  const upright = begun.picture;
  const [lines, codes, packed] = await Promise.all([
    finishLines(models, begun.reading),
    readCodes(upright),
    pictures(upright, photo.colourProfile),
  ]);
  const quad = renameCorners(begun.outline, begun.turns);
  const quality = measureQuality(
    upright,
    lines.map((line) => line.quad),
    { pixels: photo, quad },
  );
  return {
    quad,
    ...packed,
    reading: { width: upright.width, height: upright.height, lines, codes, quality },
  };
}
