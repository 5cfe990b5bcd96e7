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

type ReadCard = DeskCard & { picture: Uint8Array };

/** More than this at a time thrashes: the engine keeps a core busy for each. */
const MOST_AT_A_TIME = 2;

/**
 * Reads pictures, and texts (`.txt` in UTF-8, one card or signature each), into the predictions
 * format, in the order given; one that cannot be opened is told and gets no cards.
 * @param twice reads each card a second time once all were read; what is proposed and how long it takes is that of the first reading
 */
export async function readFiles(
  files: readonly string[],
  onFile: (done: number, path: string, prediction: PhotoPrediction) => void,
  options: ProposeOptions = {},
  onCard: (card: DeskCard) => void = () => undefined,
  twice = false,
): Promise<Record<string, PhotoPrediction>> {
  const pictures = files.filter((path) => !isText(path)).length;
  const lanes = Math.min(MOST_AT_A_TIME, availableParallelism(), pictures);
  const pool = new ReadingPool(lanes);
  const found = new Map<string, PhotoPrediction>();
  const cards: ReadCard[] = [];
  const inLanes = async <T>(of: readonly T[], work: (one: T) => Promise<void>) => {
    let next = 0;
    const lane = async () => {
      while (next < of.length) await work(of[next++]!);
    };
    await Promise.all(Array.from({ length: Math.max(1, lanes) }, lane));
  };
  try {
    await inLanes(files, async (path) => {
      const { prediction, read } = isText(path)
        ? { prediction: readTextFile(path, options), read: [] }
        : await readPicture(pool, path, options);
      found.set(path, prediction);
      if (twice) cards.push(...read);
      else read.forEach(({ picture: _, ...card }) => onCard(card));
      onFile(found.size, path, prediction);
    });
    await inLanes(cards, async ({ picture, ...card }) =>
      onCard({ ...card, reading: { ...card.reading, again: await pool.reread(picture) } }),
    );
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
): Promise<{ prediction: PhotoPrediction; read: ReadCard[] }> {
  try {
    const { read, ms } = await pool.read(readFileSync(path));
    const started = performance.now();
    const proposed = read.cards.map((card) => ({ ...card, proposal: proposeFields(card.reading, options) }));
    const prediction = {
      ms: Math.round(ms + performance.now() - started),
      cards: proposed.map(({ quad, proposal }) => toPrediction(quad, proposal)),
    };
    return { prediction, read: proposed.map(({ quad, picture, reading, proposal }) => ({ photoId: photoId(path), quad, reading, proposal, picture })) }; // prettier-ignore
  } catch (error) {
    const words = error instanceof UnreadablePhoto ? error.message : `could not be read: ${String(error)}`;
    return { prediction: { ms: 0, cards: [], error: words }, read: [] };
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
