import { createRequire } from 'node:module';
import { pathToFileURL } from 'node:url';
import type { Town } from '@dossier/core/people/map';
import { Piscina } from 'piscina';
import type * as tasks from './gazetteerTasks';

const TYPESCRIPT = pathToFileURL(createRequire(import.meta.url).resolve('tsx')).href;
/** The towns take a second to load and a hundred megabytes: they go when nobody has looked at a map for a while. */
const KEPT_MS = 10 * 60_000;

let threads: Piscina | undefined;
const asked = <T>(name: keyof typeof tasks, given: unknown): Promise<T> => {
  threads ??= new Piscina({
    filename: new URL('./gazetteerTasks.ts', import.meta.url).href,
    // Looked for when the thread starts; without it that would be a default export.
    name: 'townsNamed' satisfies keyof typeof tasks,
    execArgv: ['--import', TYPESCRIPT],
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: KEPT_MS,
  });
  return threads.run(given, { name }) as Promise<T>;
};

/** The world's towns of more than a thousand people, on a thread of its own: others are served while they are loaded. */
export const gazetteer = {
  /** @param keys folded, see `placeKey` @returns the towns of each */
  named: (keys: readonly string[]): Promise<Town[][]> => asked('townsNamed', keys),
  /** @param begin folded */
  like: (begin: string, atMost: number): Promise<Town[]> => asked('townsLike', { begin, atMost }),
};
