import { readFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { extname } from 'node:path';
import { rectangle, type Quad } from '@dossier/core/capture';
import {
  proposeFields,
  readingOfText,
  toPrediction,
  type CardPrediction,
  type CardProposal,
  type ProposeOptions,
  type Reading,
} from '@dossier/core/reading';
import { ReadingPool, UnreadablePhoto } from '@dossier/reader';
import { photoId } from './photoFiles';

export interface PhotoPrediction {
  /** Milliseconds from bytes to proposals. */
  ms: number;
  cards: CardPrediction[];
  /** Why it could not be read. */
  error?: string;
}

/** A card as the proof desk gets it. */
export interface DeskCard {
  photoId: string;
  quad: Quad;
  reading: Reading;
  proposal: CardProposal;
}

/** More than this at a time thrashes: the engine keeps a core busy for each. */
const MOST_AT_A_TIME = 2;

/**
 * Reads pictures, and texts (`.txt` in UTF-8, one card or signature each), into the predictions
 * format, in the order given; one that cannot be opened is told and gets no cards.
 */
export async function readFiles(
  files: readonly string[],
  onFile: (done: number, path: string, prediction: PhotoPrediction) => void,
  options: ProposeOptions = {},
  onCard: (card: DeskCard) => void = () => undefined,
): Promise<Record<string, PhotoPrediction>> {
  const pictures = files.filter((path) => !isText(path)).length;
  const lanes = Math.min(MOST_AT_A_TIME, availableParallelism(), pictures);
  const pool = new ReadingPool(lanes);
  const found = new Map<string, PhotoPrediction>();
  let next = 0;
  const lane = async () => {
    for (let i = next++; i < files.length; i = next++) {
      const path = files[i]!;
      const prediction = isText(path) ? readTextFile(path, options) : await readPicture(pool, path, options, onCard);
      found.set(path, prediction);
      onFile(found.size, path, prediction);
    }
  };
  try {
    await Promise.all(Array.from({ length: Math.max(1, lanes) }, lane));
  } finally {
    pool.close();
  }
  return Object.fromEntries(files.map((path) => [photoId(path), found.get(path)!]));
}

const isText = (path: string): boolean => extname(path).toLowerCase() === '.txt';

async function readPicture(
  pool: ReadingPool,
  path: string,
  options: ProposeOptions,
  onCard: (card: DeskCard) => void,
): Promise<PhotoPrediction> {
  try {
    const { read, ms } = await pool.read(readFileSync(path));
    const started = performance.now();
    const cards = read.cards.map(({ quad, reading }) => {
      const proposal = proposeFields(reading, options);
      onCard({ photoId: photoId(path), quad, reading, proposal });
      return toPrediction(quad, proposal);
    });
    return { ms: Math.round(ms + performance.now() - started), cards };
  } catch (error) {
    return {
      ms: 0,
      cards: [],
      error: error instanceof UnreadablePhoto ? error.message : `could not be read: ${String(error)}`,
    };
  }
}

function readTextFile(path: string, options: ProposeOptions): PhotoPrediction {
  const started = performance.now();
  let text: string;
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(readFileSync(path));
  } catch {
    return { ms: 0, cards: [], error: 'This file is not text in UTF-8. Save it again as UTF-8.' };
  }
  const reading = readingOfText(text);
  const proposal = proposeFields(reading, options);
  if (proposal.fields.length === 0) return { ms: 0, cards: [], error: 'There is nothing about a person in this text.' };
  const sheet = rectangle(0, 0, reading.width, reading.height);
  return { ms: Math.round(performance.now() - started), cards: [toPrediction(sheet, proposal)] };
}
