import type { ReadLine, SecondReading } from '@dossier/core/reading';
import type { CardArea } from './readArea';
import type { PhotoRead, ReadPhotoOptions } from './readPhoto';

export interface TimedRead {
  read: PhotoRead;
  /** Milliseconds from bytes to the reading, without waiting for a free process. */
  ms: number;
  /** Memory of the process that read it, in bytes. */
  residentBytes: number;
}

/** Whoever reads photographs: the engine, or a recording of what it read. */
export interface PhotoReader {
  /** @throws UnreadablePhoto as `readPhoto` does; Error when the engine failed or its process ended */
  read(bytes: Uint8Array, options?: ReadPhotoOptions): Promise<TimedRead>;
  /** Reads a part of a card that was cut out before. @throws as `read` */
  readArea(bytes: Uint8Array, area: CardArea): Promise<ReadLine[]>;
  /** Reads a card that was cut out before once more, in another way. @throws as `read` */
  reread(bytes: Uint8Array): Promise<SecondReading>;
  close(): void;
}
