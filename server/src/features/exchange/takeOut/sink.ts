import type { Writable } from 'node:stream';
import { Zip, ZipDeflate, ZipPassThrough } from 'fflate';

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

/** Files packed into one as they come (ZIP); texts are packed tight, pictures are so already. */
export class ZipSink {
  private readonly pieces: Uint8Array[] = [];
  private readonly zip = new Zip((error, piece) => {
    if (error) throw error;
    this.pieces.push(piece);
  });
  private readonly names = new Set<string>();

  constructor(private readonly out: Sink) {}

  /** A name that no other file has; case does not tell names apart everywhere. */
  free(name: string, ending: string): string {
    let free = `${name}${ending}`;
    for (let n = 2; this.names.has(free.toLowerCase()); n++) free = `${name} (${n})${ending}`;
    this.names.add(free.toLowerCase());
    return free;
  }

  /** One file after the other: the next begins when `work` has ended. */
  async file(name: string, work: (sink: Sink) => Promise<void>): Promise<void> {
    const file = /\.jpe?g$/i.test(name) ? new ZipPassThrough(name) : new ZipDeflate(name, { level: 6 });
    this.zip.add(file);
    await work({
      write: async (piece) => {
        file.push(typeof piece === 'string' ? Buffer.from(piece) : piece);
        await this.flush();
      },
    });
    file.push(new Uint8Array(0), true);
    await this.flush();
  }

  async end(): Promise<void> {
    this.zip.end();
    await this.flush();
  }

  private async flush(): Promise<void> {
    for (const piece of this.pieces.splice(0)) if (piece.length > 0) await this.out.write(piece);
  }
}
