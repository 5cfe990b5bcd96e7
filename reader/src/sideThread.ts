import { createRequire } from 'node:module';
import { pathToFileURL } from 'node:url';
import { Piscina } from 'piscina';

const TYPESCRIPT = pathToFileURL(createRequire(import.meta.url).resolve('tsx')).href;
/** A thread that has nothing to do gives its memory back. */
const IDLE_MS = 60_000;

/**
 * Has a function done on a thread of its own that is started when it is first needed, so that whoever asks can do other things meanwhile.
 * @param file module beside this one @param name of the function in it
 */
export function onSideThread<I, O>(file: string, name: string): (input: I) => Promise<O> {
  let thread: Piscina | undefined;
  return async (input) => {
    thread ??= new Piscina({
      filename: new URL(file, import.meta.url).href,
      name,
      execArgv: ['--import', TYPESCRIPT],
      minThreads: 0,
      maxThreads: 1,
      idleTimeout: IDLE_MS,
    });
    return (await thread.run(input)) as O;
  };
}
