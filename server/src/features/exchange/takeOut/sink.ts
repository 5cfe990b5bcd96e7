import { PassThrough, type Writable } from 'node:stream';
import { ZipFile } from 'yazl';

/** Where a file goes, piece by piece; whoever writes waits until there is room. */
export interface Sink {
  write: (piece: string | Uint8Array) => Promise<void>;
}

/** Nobody waits for the rest any more. */
export class Gone extends Error {}

/** One piece is written at a time. @throws Gone by its `write` once the other side has gone away */
export function sinkOf(stream: Writable): Sink {
  let goOn: (() => void) | undefined;
  // Listened to once: what packs answers hands listeners on to its packer, and never takes them away again.
  for (const event of ['drain', 'close']) stream.on(event, () => goOn?.());
  return {
    write: async (piece) => {
      if (stream.destroyed || stream.writableEnded) throw new Gone();
      if (!stream.write(piece)) await new Promise<void>((resolve) => (goOn = resolve));
    },
  };
}

/** Files packed into one as they come (ZIP, however many and large they are); texts are packed tight, pictures are so already. */
export class ZipSink {
  private readonly zip = new ZipFile();
  private readonly names = new Set<string>();
  private readonly flowing: Promise<void>;

  constructor(out: Sink) {
    this.flowing = this.flow(out);
    // Whoever adds the next file, or ends it, is told.
    this.flowing.catch(() => undefined);
  }

  /** A name that no other file has; case does not tell names apart everywhere. */
  free(name: string, ending: string): string {
    let free = `${name}${ending}`;
    for (let n = 2; this.names.has(free.toLowerCase()); n++) free = `${name} (${n})${ending}`;
    this.names.add(free.toLowerCase());
    return free;
  }

  /** One file after the other: the next begins when `work` has ended. */
  async file(name: string, work: (sink: Sink) => Promise<void>): Promise<void> {
    const file = new PassThrough();
    const sink = sinkOf(file);
    this.zip.addReadStream(file, name, { compress: !/\.jpe?g$/i.test(name) });
    const taken = new Promise<void>((resolve) => file.once('close', resolve));
    await this.unlessBroken(work({ write: (piece) => this.unlessBroken(sink.write(piece)) }));
    file.end();
    await this.unlessBroken(taken);
  }

  async end(): Promise<void> {
    this.zip.end();
    await this.flowing;
  }

  private async flow(out: Sink): Promise<void> {
    for await (const piece of this.zip.outputStream) await out.write(piece as Buffer);
  }

  /** Nothing is taken any more once it has stopped flowing. */
  private unlessBroken<T>(work: Promise<T>): Promise<T> {
    return Promise.race([work, this.flowing.then((): never => { throw new Gone(); })]); // prettier-ignore
  }
}
