import { createRequire } from 'node:module';
import { pathToFileURL } from 'node:url';
import { Piscina } from 'piscina';
import type * as tasks from './threadTasks';

type Tasks = typeof tasks;

const TYPESCRIPT = pathToFileURL(createRequire(import.meta.url).resolve('tsx')).href;

let thread: Piscina | undefined;

/** Begins with a task on the second thread of a reading process, which ends with the process. */
export function onSecondThread<Name extends keyof Tasks>(
  name: Name,
  given: Parameters<Tasks[Name]>[0],
): Promise<Awaited<ReturnType<Tasks[Name]>>> {
  thread ??= new Piscina({
    filename: new URL('./threadTasks.ts', import.meta.url).href,
    // Looked for when the thread starts; without it that would be a default export.
    name: 'readLines' satisfies keyof Tasks,
    execArgv: ['--import', TYPESCRIPT],
    minThreads: 1,
    maxThreads: 1,
  });
  return thread.run(given, { name });
}
