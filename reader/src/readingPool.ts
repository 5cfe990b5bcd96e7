import { fork, type ChildProcess } from 'node:child_process';
import { createRequire } from 'node:module';
import { pathToFileURL } from 'node:url';
import { UnreadablePhoto } from './errors';
import type { ReadLine, SecondReading } from '@dossier/core/reading';
import type { CardArea } from './readArea';
import type { ReadingReply, ReadingRequest } from './readingChild';
import type { PhotoReader, TimedRead } from './photoReader';
import type { ReadPhotoOptions } from './readPhoto';

const CHILD = new URL('./readingChild.ts', import.meta.url);
const TYPESCRIPT = pathToFileURL(createRequire(import.meta.url).resolve('tsx')).href;

/**
 * Reads photographs in processes of their own, one at a time in each: the engine computes on the
 * thread that calls it, so this is what keeps two cores busy; and a picture that brings the engine
 * down takes only its own reading with it. Models are loaded once a process.
 */
export class ReadingPool implements PhotoReader {
  private readonly idle: Place[];
  private readonly waiting: ((place: Place) => void)[] = [];
  private readonly children = new Set<ChildProcess>();
  private closed = false;

  /** @param size how many photographs are read at a time; the processes start at once */
  constructor(size: number) {
    this.idle = Array.from({ length: size }, () => ({ child: this.start() }));
  }

  /**
   * Reads a photograph as soon as a process is free.
   * @throws UnreadablePhoto as `readPhoto` does; Error when the engine failed or its process ended
   */
  async read(bytes: Uint8Array, options: ReadPhotoOptions = {}): Promise<TimedRead> {
    const reply = await this.ask({ bytes, outlines: options.outlines }, options.onProgress);
    return reply as Extract<ReadingReply, { kind: 'read' }>;
  }

  /** Reads a part of a card that was cut out before. @throws as `read` */
  async readArea(bytes: Uint8Array, area: CardArea): Promise<ReadLine[]> {
    const reply = await this.ask({ bytes, area });
    return (reply as Extract<ReadingReply, { kind: 'area' }>).lines;
  }

  /** Reads a card that was cut out before once more. @throws as `read` */
  async reread(bytes: Uint8Array): Promise<SecondReading> {
    const reply = await this.ask({ bytes, again: true });
    return (reply as Extract<ReadingReply, { kind: 'again' }>).reading;
  }

  private async ask(request: ReadingRequest, onProgress?: (share: number) => void): Promise<ReadingReply> {
    // The one that read last: its code and memory are warm.
    const place = this.idle.pop() ?? (await new Promise<Place>((free) => this.waiting.push(free)));
    try {
      return await askChild(await place.child, request, onProgress);
    } catch (error) {
      if (error instanceof ReadingProcessEnded && !this.closed) place.child = this.start();
      throw error;
    } finally {
      const first = this.waiting.shift();
      if (first) first(place);
      else this.idle.push(place);
    }
  }

  /** Ends the processes; what they were reading fails. */
  close(): void {
    this.closed = true;
    for (const child of this.children) child.kill('SIGKILL');
  }

  private start(): Promise<ChildProcess> {
    const child = fork(CHILD, {
      execArgv: ['--import', TYPESCRIPT],
      serialization: 'advanced',
      // glibc keeps what was freed in up to eight heaps a core; with one a process takes a sixth less, and no longer (measured).
      env: { ...process.env, MALLOC_ARENA_MAX: '1' },
    });
    this.children.add(child);
    child.once('exit', () => this.children.delete(child));
    const ready = new Promise<ChildProcess>((resolve, reject) => {
      child.once('exit', () => reject(new ReadingProcessEnded()));
      child.once('error', () => reject(new ReadingProcessEnded()));
      child.once('message', () => resolve(child));
    });
    // Whoever reads next is told; until then nobody is there to hear it.
    ready.catch(() => undefined);
    return ready;
  }
}

/** One of the pool's places with the process that sits in it. */
interface Place {
  child: Promise<ChildProcess>;
}

export class ReadingProcessEnded extends Error {
  constructor() {
    super('The reading process ended before it was done.');
  }
}

function askChild(
  child: ChildProcess,
  request: ReadingRequest,
  onProgress: ((share: number) => void) | undefined,
): Promise<ReadingReply> {
  return new Promise((resolve, reject) => {
    const ended = () => settle(() => reject(new ReadingProcessEnded()));
    const settle = (done: () => void) => {
      child.off('message', hear);
      child.off('exit', ended);
      done();
    };
    const hear = (message: ReadingReply) => {
      switch (message.kind) {
        case 'ready':
          return;
        case 'progress':
          return onProgress?.(message.share);
        case 'read':
        case 'area':
        case 'again':
          return settle(() => resolve(message));
        case 'unreadable':
          return settle(() => reject(new UnreadablePhoto(message.code, message.message)));
        case 'failed':
          return settle(() => reject(new Error(message.message)));
      }
    };
    child.on('message', hear);
    child.once('exit', ended);
    child.send(request, (error) => error && settle(() => reject(new ReadingProcessEnded())));
  });
}
