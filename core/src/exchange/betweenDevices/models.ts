/** What one thing of a parcel is: people as they are taken out, a card's picture, or the text of a card without one. */
export type ParcelKind = 'people' | 'picture' | 'text';

export interface ParcelItem {
  name: string;
  kind: ParcelKind;
  /** How many people or cards it is. */
  count: number;
  bytes: number;
  /** Of its bytes (SHA-256, hexadecimal): what has come is what was sent. */
  digest: string;
}

/** Things that go from one device to another together. Its id is the same however often it is begun. */
export interface Parcel {
  id: string;
  items: ParcelItem[];
}

/** What the two sides say to one another; the bytes themselves go between as they are. */
export type ParcelMessage =
  /** Who gives, in words, and what its random number will turn out to be. */
  | { type: 'hello'; from: string; promise: string }
  | { type: 'answer'; from: string; nonce: string }
  | { type: 'reveal'; nonce: string }
  | { type: 'parcel'; parcel: Parcel }
  /** How many bytes of each thing are there already. */
  | { type: 'wanted'; at: number[] }
  /** What comes next are bytes of this thing, from there on. */
  | { type: 'item'; index: number; at: number }
  /** How many bytes of it are kept by now. */
  | { type: 'kept'; index: number; bytes: number }
  | { type: 'whole'; index: number }
  /** Its bytes were not what they should be: it is wanted once more. */
  | { type: 'damaged'; index: number }
  | { type: 'stop' };

/** A way to another device: in order, and nothing is lost while it lasts. */
export interface Channel {
  send(what: ParcelMessage | Uint8Array): void;
  /** @returns what comes next; undefined once nothing comes any more */
  receive(): Promise<ParcelMessage | Uint8Array | undefined>;
}

/** SHA-256 of some bytes. */
export type Digest = (bytes: Uint8Array) => Promise<Uint8Array>;

export type BrokenWhy =
  /** The way ended. What has come is kept. */
  | 'gone'
  /** The other side wants no more of it. */
  | 'stopped'
  /** The other side says what nobody says here. */
  | 'misspoken'
  /** What came was not what was sent, twice. */
  | 'damaged'
  /** More than a parcel may hold. */
  | 'tooMuch';

/** A hand-over that did not come to its end. */
export class Broken extends Error {
  constructor(readonly why: BrokenWhy) {
    super(`Broken off: ${why}`);
  }
}
