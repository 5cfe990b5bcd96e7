import { createRequire } from 'node:module';
import { pathToFileURL } from 'node:url';
import { Piscina } from 'piscina';
import { ProblemError } from '../../platform/problem';
import type * as tasks from './proposingTasks';

type Tasks = typeof tasks;

const TYPESCRIPT = pathToFileURL(createRequire(import.meta.url).resolve('tsx')).href;
/** A card takes some ten milliseconds once the thread is there; text made to be slow is given up after this. */
const PATIENCE_MS = 4_000;

let threads: Piscina | undefined;

/**
 * Proposes fields on a thread of its own: text that somebody made to be slow holds up nobody else's request.
 * @throws ProblemError 422 for text that takes too long, 503 for a card
 */
export async function proposing<Name extends keyof Tasks>(
  name: Name,
  given: Parameters<Tasks[Name]>[0],
): Promise<ReturnType<Tasks[Name]>> {
  threads ??= new Piscina({
    filename: new URL('./proposingTasks.ts', import.meta.url).href,
    // Looked for when the thread starts; without it that would be a default export.
    name: 'fields' satisfies keyof Tasks,
    execArgv: ['--import', TYPESCRIPT],
    minThreads: 1,
    maxThreads: 1,
    concurrentTasksPerWorker: 1,
  });
  // What the thread takes to begin, and others before, is no fault of this text.
  await threads.run(undefined, { name: 'begin' satisfies keyof Tasks });
  return threads.run(given, { name, signal: AbortSignal.timeout(PATIENCE_MS) }).catch((error: unknown) => {
    if ((error as { name?: string }).name !== 'AbortError') throw error;
    throw name === 'text' ? tooMuchText() : tooLong();
  }) as Promise<ReturnType<Tasks[Name]>>;
}

const tooMuchText = (): ProblemError =>
  new ProblemError(
    422,
    'too-much-text',
    'Too much text',
    'This is more text than can be looked through for one person. Paste only the signature.',
  );

const tooLong = (): ProblemError =>
  new ProblemError(503, 'busy', 'Busy', 'Dossier is busy at the moment. Nothing was lost; try again.', undefined, 2);
