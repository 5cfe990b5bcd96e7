import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { deserialize, serialize } from 'node:v8';
import { brotliCompressSync, brotliDecompressSync } from 'node:zlib';
import type { ReadLine, SecondReading } from '@dossier/core/reading';
import sharp from 'sharp';
import { UnreadablePhoto } from './errors';
import { ENGINE_VERSION } from './models';
import type { PhotoReader, TimedRead } from './photoReader';
import type { CardArea } from './readArea';
import type { CardRead, PhotoRead, ReadPhotoOptions } from './readPhoto';

/** What the engine said of some bytes. */
type Answer =
  | { read: PhotoRead }
  | { lines: ReadLine[] }
  | { again: SecondReading }
  | { unreadable: Pick<UnreadablePhoto, 'code' | 'message'> };

interface Recording {
  engine: string;
  answer: Answer;
}

/** Pictures are kept as small as they can be and still show their card. */
const PICTURE_QUALITY = 45;

interface Options {
  /** Where recordings are kept, a file each, named after what was asked. */
  folder: string;
  /** The engine, started only for what was never recorded or was recorded by an older one. */
  engine: () => PhotoReader;
  /** Whether what the engine answers is recorded. */
  record: boolean;
}

/**
 * Answers with what the engine read of the same bytes before, so that whatever stands behind reading can be tested without reading the
 * same pictures again and again. Recognised by the bytes' SHA-256.
 */
export class RecordedReader implements PhotoReader {
  private engine: PhotoReader | undefined;

  constructor(private readonly options: Options) {}

  async read(bytes: Uint8Array, { outlines, onProgress }: ReadPhotoOptions = {}): Promise<TimedRead> {
    const answer = await this.answer(bytes, { outlines }, async (engine) => {
      const { read } = await engine.read(bytes, { outlines, onProgress });
      return { read };
    });
    return { read: (answer as { read: PhotoRead }).read, ms: 0, residentBytes: 0 };
  }

  async readArea(bytes: Uint8Array, area: CardArea): Promise<ReadLine[]> {
    const answer = await this.answer(bytes, { area }, async (engine) => ({
      lines: await engine.readArea(bytes, area),
    }));
    return (answer as { lines: ReadLine[] }).lines;
  }

  async reread(bytes: Uint8Array): Promise<SecondReading> {
    const answer = await this.answer(bytes, AGAIN, async (engine) => ({ again: await engine.reread(bytes) }));
    return (answer as { again: SecondReading }).again;
  }

  close(): void {
    this.engine?.close();
  }

  private async answer(
    bytes: Uint8Array,
    asked: object,
    ask: (engine: PhotoReader) => Promise<Answer>,
  ): Promise<Answer> {
    const file = join(this.options.folder, `${nameOf(bytes, asked)}.br`);
    const known = existsSync(file) ? recordingIn(file) : undefined;
    const answer = known?.engine === ENGINE_VERSION ? known.answer : await this.askEngine(ask);
    if (!known && this.options.record) await this.keep(file, answer);
    if ('unreadable' in answer) throw new UnreadablePhoto(answer.unreadable.code, answer.unreadable.message);
    return answer;
  }

  /** The pictures of cards are kept smaller than they are: what they say a second time is told by the whole ones. */
  private async keep(file: string, answer: Answer): Promise<void> {
    if (!('read' in answer)) return write(file, answer);
    const read = await withSmallPictures(answer.read);
    write(file, { read });
    for (const [i, { picture }] of answer.read.cards.entries()) {
      const again = await this.engine!.reread(picture);
      write(join(this.options.folder, `${nameOf(read.cards[i]!.picture, AGAIN)}.br`), { again });
    }
  }

  private async askEngine(ask: (engine: PhotoReader) => Promise<Answer>): Promise<Answer> {
    this.engine ??= this.options.engine();
    return ask(this.engine).catch((error: unknown) => {
      if (!(error instanceof UnreadablePhoto)) throw error;
      return { unreadable: { code: error.code, message: error.message } };
    });
  }
}

/** What is asked where a card is to be read a second time. */
const AGAIN = { again: true };

const nameOf = (bytes: Uint8Array, asked: object): string =>
  createHash('sha256').update(bytes).update(JSON.stringify(asked)).digest('hex').slice(0, 32);

const recordingIn = (file: string): Recording => deserialize(brotliDecompressSync(readFileSync(file))) as Recording;

function write(file: string, answer: Answer): void {
  mkdirSync(join(file, '..'), { recursive: true });
  const recording: Recording = { engine: ENGINE_VERSION, answer };
  // Named once it is whole: two may record the same at once.
  writeFileSync(`${file}.${process.pid}`, brotliCompressSync(serialize(recording)));
  renameSync(`${file}.${process.pid}`, file);
}

async function withSmallPictures(read: PhotoRead): Promise<PhotoRead> {
  const small = async (card: CardRead): Promise<CardRead> => ({
    ...card,
    picture: await inSmall(card.picture),
    thumbnail: await inSmall(card.thumbnail),
  });
  return {
    ...read,
    cards: await Promise.all(read.cards.map(small)),
    whole: read.whole && (await small(read.whole)),
  };
}

const inSmall = (picture: Uint8Array): Promise<Buffer> =>
  sharp(picture).jpeg({ quality: PICTURE_QUALITY, mozjpeg: true }).toBuffer();
