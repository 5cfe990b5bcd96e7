import { createRequire } from 'node:module';
import { pathToFileURL } from 'node:url';
import { Piscina } from 'piscina';
import { ProblemError } from '../../platform/problem';
import type * as tasks from './proposingTasks';

type Tasks = typeof tasks;

const TYPESCRIPT = pathToFileURL(createRequire(import.meta.url).resolve('tsx')).href;
/** A card takes some ten milliseconds once the thread is there; text made to be slow is given up after this, twice. */
const PATIENCE_MS = 4_000;

let threads: Piscina | undefined;
/** Settles when all that was asked for before is done with: what one takes is never counted against the next. */
let before: Promise<unknown> = Promise.resolve();

/**
 * Proposes fields on a thread of its own: text that somebody made to be slow holds up nobody else's request for long.
 * @throws ProblemError 422 for text that takes too long, 503 for a card
 */
export function proposing<Name extends keyof Tasks>(
  name: Name,
  given: Parameters<Tasks[Name]>[0],
): Promise<ReturnType<Tasks[Name]>> {
  const done = before.then(() => patiently(name, given));
  before = done.catch(() => undefined);
  return done;
}

/** @param again whether it is tried once more: a machine that stood still for a moment makes any text late once, but not twice */
async function patiently<Name extends keyof Tasks>(
  name: Name,
  given: unknown,
  again = true,
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
  // What the thread takes to begin is no fault of this text.
  await threads.run(undefined, { name: 'begin' satisfies keyof Tasks });
  try {
    return (await threads.run(given, { name, signal: AbortSignal.timeout(PATIENCE_MS) })) as ReturnType<Tasks[Name]>;
  } catch (error) {
    if ((error as { name?: string }).name !== 'AbortError') throw error;
    if (again) return patiently(name, given, false);
    throw name === 'text' ? tooMuchText() : tooLong();
  }
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
