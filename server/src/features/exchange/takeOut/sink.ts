import type { Writable } from 'node:stream';
import { crc32, createDeflateRaw } from 'node:zlib';
import { centralRecord, dataDescriptor, endRecords, localHeader, type ZipEntry } from '@dossier/core/exchange/files';

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

/** So much is remembered of files that were written before a larger piece of it is made. */
const CENTRAL_PIECE = 64 * 1024;

/**
 * Files put into one as they come (ZIP, see `core/exchange/zip`). Of a file that was written only what stands in the list at the end is
 * remembered, a few dozen bytes.
 */
export class ZipSink {
  private readonly at = new Date();
  /** Names that are taken, each with how many others were made of it. */
  private readonly names = new Map<string, number>();
  private readonly central: Uint8Array[] = [];
  private pending: Uint8Array[] = [];
  private pendingBytes = 0;
  private centralBytes = 0;
  private count = 0;
  private offset = 0;

  constructor(private readonly out: Sink) {}

  /** A name that no other file has; case does not tell names apart everywhere. */
  free(name: string, ending: string): string {
    const key = `${name}${ending}`.toLowerCase();
    let free = `${name}${ending}`;
    let count = this.names.get(key) ?? 0;
    // Somebody else may be called what the next of these would be.
    while (this.names.has(free.toLowerCase())) free = `${name} (${++count + 1})${ending}`;
    this.names.set(key, count).set(free.toLowerCase(), 0);
    return free;
  }

  /** A file that is there as a whole: a picture, a few lines. It is not packed any tighter. */
  async add(name: string, content: string | Uint8Array): Promise<void> {
    const bytes = typeof content === 'string' ? Buffer.from(content) : content;
    const sizes = { crc: crc32(bytes), packed: bytes.length, size: bytes.length };
    const entry: ZipEntry = { name, ...sizes, offset: this.offset, isDeflated: false, isStreamed: false };
    await this.write(localHeader(entry, this.at));
    await this.write(bytes);
    this.remember(entry);
  }

  /** A file that is written piece by piece, and packed tight: the next begins when `work` has ended. */
  async file(name: string, work: (sink: Sink) => Promise<void>): Promise<void> {
    const entry: ZipEntry = {
      name,
      crc: 0,
      packed: 0,
      size: 0,
      offset: this.offset,
      isDeflated: true,
      isStreamed: true,
    };
    await this.write(localHeader(entry, this.at));
    const packer = createDeflateRaw({ level: 6 });
    const packing = (async () => {
      for await (const piece of packer) {
        entry.packed += (piece as Buffer).length;
        await this.write(piece as Buffer);
      }
    })();
    // Told to whoever writes the next piece, and here in the end.
    packing.catch((error: unknown) => packer.destroy(error as Error));
    packer.on('error', () => undefined);
    const sink = sinkOf(packer);
    await work({
      write: (given) => {
        const piece = typeof given === 'string' ? Buffer.from(given) : given;
        entry.crc = crc32(piece, entry.crc);
        entry.size += piece.length;
        return sink.write(piece);
      },
    });
    packer.end();
    await packing;
    await this.write(dataDescriptor(entry));
    this.remember(entry);
  }

  async end(): Promise<void> {
    this.gather();
    const offset = this.offset;
    for (const piece of this.central) await this.write(piece);
    await this.write(endRecords(this.count, offset, this.centralBytes));
  }

  private async write(piece: Uint8Array): Promise<void> {
    this.offset += piece.length;
    if (piece.length > 0) await this.out.write(piece);
  }

  private remember(entry: ZipEntry): void {
    const record = centralRecord(entry, this.at);
    this.count++;
    this.centralBytes += record.length;
    this.pending.push(record);
    if ((this.pendingBytes += record.length) >= CENTRAL_PIECE) this.gather();
  }

  private gather(): void {
    this.central.push(Buffer.concat(this.pending));
    this.pending = [];
    this.pendingBytes = 0;
  }
}
