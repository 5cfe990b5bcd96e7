/**
 * The records that make a ZIP archive of files put one after the other (APPNOTE 6.3.10, with ZIP64 where numbers outgrow the first
 * format): every file behind its `localHeader`, one whose size was not known before it behind that and before its `dataDescriptor`, then the
 * `centralRecord` of each, then `endRecords`. Names are UTF-8.
 */
export interface ZipEntry {
  name: string;
  /** Of the bytes before they were packed. */
  crc: number;
  /** Bytes as they stand in the archive, and as they were. */
  packed: number;
  size: number;
  /** Where its local header begins. */
  offset: number;
  isDeflated: boolean;
  /** Its size was told behind it. */
  isStreamed: boolean;
}

const LARGE = 0xffff_ffff;
const MANY = 0xffff;
const UTF8 = 0x0800;
const TOLD_BEHIND = 0x0008;
const ZIP64 = 45;
const PLAIN = 20;

/** Numbers in a row, each with how many bytes it takes. */
function record(
  fields: readonly (readonly [value: number | bigint, bytes: 2 | 4 | 8])[],
  ...rest: readonly Uint8Array[]
): Uint8Array {
  const length = fields.reduce((sum, [, bytes]) => sum + bytes, 0);
  const made = new Uint8Array(length + rest.reduce((sum, part) => sum + part.length, 0));
  const view = new DataView(made.buffer);
  let at = 0;
  for (const [value, bytes] of fields) {
    if (bytes === 2) view.setUint16(at, Number(value), true);
    else if (bytes === 4) view.setUint32(at, Number(value), true);
    else view.setBigUint64(at, BigInt(value), true);
    at += bytes;
  }
  for (const part of rest) {
    made.set(part, at);
    at += part.length;
  }
  return made;
}

const encoder = new TextEncoder();

/** Two-second steps since midnight, and days since 1980, in UTC. */
function dosMoment(at: Date): readonly [time: number, day: number] {
  const time = (at.getUTCHours() << 11) | (at.getUTCMinutes() << 5) | (at.getUTCSeconds() >> 1);
  return [time, ((at.getUTCFullYear() - 1980) << 9) | ((at.getUTCMonth() + 1) << 5) | at.getUTCDate()];
}

/** Before a file. One that is streamed has neither sum nor sizes yet. */
export function localHeader(
  { name, crc, packed, size, isDeflated, isStreamed }: Omit<ZipEntry, 'offset'>,
  at: Date,
): Uint8Array {
  const bytes = encoder.encode(name);
  const [time, day] = dosMoment(at);
  // Says that what is told behind it takes eight bytes.
  const extra = isStreamed ? record([[1, 2], [16, 2], [0, 8], [0, 8]]) : new Uint8Array(); // prettier-ignore
  return record(
    [
      [0x04034b50, 4],
      [isStreamed ? ZIP64 : PLAIN, 2],
      [UTF8 | (isStreamed ? TOLD_BEHIND : 0), 2],
      [isDeflated ? 8 : 0, 2],
      [time, 2],
      [day, 2],
      [isStreamed ? 0 : crc, 4],
      [isStreamed ? LARGE : packed, 4],
      [isStreamed ? LARGE : size, 4],
      [bytes.length, 2],
      [extra.length, 2],
    ],
    bytes,
    extra,
  );
}

/** Behind a file that was streamed. */
export const dataDescriptor = ({ crc, packed, size }: Pick<ZipEntry, 'crc' | 'packed' | 'size'>): Uint8Array =>
  record([[0x08074b50, 4], [crc, 4], [packed, 8], [size, 8]]); // prettier-ignore

export function centralRecord(
  { name, crc, packed, size, offset, isDeflated, isStreamed }: ZipEntry,
  at: Date,
): Uint8Array {
  const bytes = encoder.encode(name);
  const [time, day] = dosMoment(at);
  // Only what does not fit its place stands in the extra field, in this order.
  const large = [size, packed, offset].filter((value) => value >= LARGE);
  const extra = large.length > 0 ? record([[1, 2], [8 * large.length, 2], ...large.map((value) => [value, 8] as const)]) : new Uint8Array(); // prettier-ignore
  const needs = isStreamed || large.length > 0 ? ZIP64 : PLAIN;
  return record(
    [
      [0x02014b50, 4],
      [needs, 2],
      [needs, 2],
      [UTF8 | (isStreamed ? TOLD_BEHIND : 0), 2],
      [isDeflated ? 8 : 0, 2],
      [time, 2],
      [day, 2],
      [crc, 4],
      [Math.min(packed, LARGE), 4],
      [Math.min(size, LARGE), 4],
      [bytes.length, 2],
      [extra.length, 2],
      [0, 2],
      [0, 2],
      [0, 2],
      [0, 4],
      [Math.min(offset, LARGE), 4],
    ],
    bytes,
    extra,
  );
}

/** The end of an archive. @param offset where the central records begin @param length of all of them */
export function endRecords(count: number, offset: number, length: number): Uint8Array {
  const end = record([
    [0x06054b50, 4],
    [0, 2],
    [0, 2],
    [Math.min(count, MANY), 2],
    [Math.min(count, MANY), 2],
    [Math.min(length, LARGE), 4],
    [Math.min(offset, LARGE), 4],
    [0, 2],
  ]);
  if (count < MANY && offset < LARGE && length < LARGE) return end;
  const whole = record([
    [0x06064b50, 4],
    [44, 8],
    [ZIP64, 2],
    [ZIP64, 2],
    [0, 4],
    [0, 4],
    [count, 8],
    [count, 8],
    [length, 8],
    [offset, 8],
  ]);
  const locator = record([[0x07064b50, 4], [0, 4], [offset + length, 8], [1, 4]]); // prettier-ignore
  return record([], whole, locator, end);
}
