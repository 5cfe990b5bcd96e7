import { readFileSync } from 'node:fs';
import { proposeFields, toPrediction, type CardPrediction } from '@dossier/core/reading';
import { loadModels, readPhoto, UnreadablePhoto } from '@dossier/reader';
import { photoId } from './photoFiles';

export interface PhotoPrediction {
  /** Milliseconds from bytes to proposals. */
  ms: number;
  cards: CardPrediction[];
  /** Why it could not be read. */
  error?: string;
}

/** Reads pictures one after the other into the predictions format; one that cannot be opened is told and gets no cards. */
export async function readFiles(
  files: readonly string[],
  onFile: (done: number, path: string, prediction: PhotoPrediction) => void,
  assumedCountry?: string,
): Promise<Record<string, PhotoPrediction>> {
  await loadModels();
  const predictions: Record<string, PhotoPrediction> = {};
  for (const [i, path] of files.entries()) {
    const started = performance.now();
    const result = await predict(readFileSync(path), assumedCountry);
    const prediction = { ms: Math.round(performance.now() - started), ...result };
    predictions[photoId(path)] = prediction;
    onFile(i + 1, path, prediction);
  }
  return predictions;
}

async function predict(bytes: Uint8Array, assumedCountry?: string): Promise<Omit<PhotoPrediction, 'ms'>> {
  try {
    const { cards } = await readPhoto(bytes);
    return { cards: cards.map(({ quad, reading }) => toPrediction(quad, proposeFields(reading, { assumedCountry }))) };
  } catch (error) {
    if (!(error instanceof UnreadablePhoto)) throw error;
    return { cards: [], error: error.message };
  }
}
