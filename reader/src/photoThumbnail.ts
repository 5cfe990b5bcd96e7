import { createRequire } from 'node:module';
import { pathToFileURL } from 'node:url';
import { Piscina } from 'piscina';
import { smallJpeg } from './smallJpeg';
import { sniffPhoto } from './sniffPhoto';

const TYPESCRIPT = pathToFileURL(createRequire(import.meta.url).resolve('tsx')).href;
/** Decoding is JavaScript: a thread that has nothing to do gives its memory back. */
const IDLE_MS = 60_000;

let thread: Piscina | undefined;

/**
 * A small upright JPEG of a photograph. HEIC is decoded on a thread of its own, so that whoever asks can do other things meanwhile;
 * the other kinds are opened outside of JavaScript anyway.
 * @param side longest side in pixels
 * @returns undefined when it cannot be opened
 */
export async function photoThumbnail(bytes: Uint8Array, side = 320): Promise<Uint8Array | undefined> {
  if (sniffPhoto(bytes) !== 'heic') return smallJpeg({ bytes, side });
  thread ??= new Piscina({
    filename: new URL('./smallJpeg.ts', import.meta.url).href,
    name: 'smallJpeg',
    execArgv: ['--import', TYPESCRIPT],
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: IDLE_MS,
  });
  return (await thread.run({ bytes, side })) as Uint8Array | undefined;
}
