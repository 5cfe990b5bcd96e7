import { rectangle, type CardOutline } from '@dossier/core/capture';
import type { ReadLine, SecondReading } from '@dossier/core/reading';
import sharp from 'sharp';
import { UnreadablePhoto } from './errors';
import { loadModels } from './models';
import { emptyPixels } from './pixels';
import { readArea, type CardArea } from './readArea';
import { readCodes } from './readCodes';
import { rereadCard } from './rereadCard';
import { readLines } from './readLines';
import { readPhoto, type PhotoRead } from './readPhoto';

/** From the pool to a reading process. */
export interface ReadingRequest {
  bytes: Uint8Array;
  /** The bytes are a card cut out already: its lines inside this rectangle are read, and nothing else. */
  area?: CardArea;
  /** The bytes are a card cut out already, to be read a second time. */
  again?: boolean;
  outlines?: readonly CardOutline[];
}

/** From a reading process to the pool: first `ready`, then for each request progress and one end. */
export type ReadingReply =
  | { kind: 'ready' }
  | { kind: 'progress'; share: number }
  | { kind: 'read'; read: PhotoRead; ms: number; residentBytes: number }
  | { kind: 'area'; lines: ReadLine[] }
  | { kind: 'again'; reading: SecondReading }
  | { kind: 'unreadable'; code: UnreadablePhoto['code']; message: string }
  | { kind: 'failed'; message: string };

/** Once the pool is gone nobody is there to hear a reply; the process then ends. */
function reply(message: ReadingReply): void {
  if (process.connected) process.send!(message, undefined, undefined, () => undefined);
}

async function handle({ bytes, outlines, area, again }: ReadingRequest): Promise<void> {
  const started = performance.now();
  try {
    if (area) return reply({ kind: 'area', lines: await readArea(bytes, area) });
    if (again) return reply({ kind: 'again', reading: await rereadCard(bytes) });
    const read = await readPhoto(bytes, { outlines, onProgress: (share) => reply({ kind: 'progress', share }) });
    const ms = performance.now() - started;
    reply({ kind: 'read', read, ms, residentBytes: process.memoryUsage.rss() });
  } catch (error) {
    if (error instanceof UnreadablePhoto) reply({ kind: 'unreadable', code: error.code, message: error.message });
    else reply({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
  }
}

/** Reads an empty picture and lines of nothing on both threads, so that no photograph waits for what is loaded once. */
async function warmUp(): Promise<void> {
  // No picture is opened twice.
  sharp.cache(false);
  const models = await loadModels();
  const blank = sharp({ create: { width: 160, height: 100, channels: 3, background: '#f4f0e4' } });
  await readPhoto(await blank.png().toBuffer());
  const card = emptyPixels(160, 100);
  await readLines(
    models,
    card,
    Array.from({ length: 4 }, (_, i) => rectangle(10, 10 + 20 * i, 140, 15)),
  );
  await readCodes(card);
}

process.on('message', (request: ReadingRequest) => void handle(request));
// At once: the engine's own threads, ended in the middle of a picture, would break off with a fault of their own.
process.on('disconnect', () => process.kill(process.pid, 'SIGKILL'));
await warmUp();
reply({ kind: 'ready' });
