import { UnreadablePhoto } from './errors';
import { loadModels } from './models';
import { readPhoto, type PhotoRead } from './readPhoto';

/** From the pool to a reading process. */
export interface ReadingRequest {
  bytes: Uint8Array;
}

/** From a reading process to the pool: first `ready`, then for each request progress and one end. */
export type ReadingReply =
  | { kind: 'ready' }
  | { kind: 'progress'; share: number }
  | { kind: 'read'; read: PhotoRead; ms: number }
  | { kind: 'unreadable'; code: UnreadablePhoto['code']; message: string }
  | { kind: 'failed'; message: string };

/** Once the pool is gone nobody is there to hear a reply; the process then ends. */
function reply(message: ReadingReply): void {
  if (process.connected) process.send!(message, undefined, undefined, () => undefined);
}

async function handle({ bytes }: ReadingRequest): Promise<void> {
  const started = performance.now();
  try {
    const read = await readPhoto(bytes, { onProgress: (share) => reply({ kind: 'progress', share }) });
    reply({ kind: 'read', read, ms: performance.now() - started });
  } catch (error) {
    if (error instanceof UnreadablePhoto) reply({ kind: 'unreadable', code: error.code, message: error.message });
    else reply({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
  }
}

process.on('message', (request: ReadingRequest) => void handle(request));
process.on('disconnect', () => process.exit());
await loadModels();
reply({ kind: 'ready' });
