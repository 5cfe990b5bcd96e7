import { createRequire } from 'node:module';
import { pathToFileURL } from 'node:url';
import { Piscina } from 'piscina';
import { ProblemError } from '../../../platform/problem';
import type { ParsedFile, Unreadable } from './parsingTasks';

const TYPESCRIPT = pathToFileURL(createRequire(import.meta.url).resolve('tsx')).href;
/** Fifty thousand rows take some seconds; what takes longer was made to. */
const PATIENCE_MS = 120_000;

let threads: Piscina | undefined;

/**
 * Reads a file of people on a thread of its own: others are served meanwhile.
 * @throws ProblemError 422 for what cannot be read, with what to do
 */
export async function parsing(bytes: Uint8Array, country: string | null): Promise<ParsedFile> {
  threads ??= new Piscina({
    filename: new URL('./parsingTasks.ts', import.meta.url).href,
    name: 'read',
    execArgv: ['--import', TYPESCRIPT],
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: 60_000,
    // A small file can be made to be a large one once it is unpacked.
    resourceLimits: { maxOldGenerationSizeMb: 1_500 },
  });
  const given = { bytes, country };
  const parsed = (await threads.run(given, { signal: AbortSignal.timeout(PATIENCE_MS) }).catch((error: unknown) => {
    const { name, code } = error as { name?: string; code?: string };
    if (name === 'AbortError') return { unreadable: 'Reading this file takes too long. Bring it in parts.' };
    if (code === 'ERR_WORKER_OUT_OF_MEMORY') return { unreadable: 'This file is too large. Bring it in parts.' };
    throw error;
  })) as ParsedFile | Unreadable;
  if ('unreadable' in parsed) throw new ProblemError(422, 'unreadable-file', 'Not readable', parsed.unreadable);
  return parsed;
}
