import { createHash } from 'node:crypto';
import { Readable, type Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { Decrypter, Encrypter } from 'age-encryption';
import tar from 'tar-stream';
import { passphraseIdentity, passphraseRecipient } from './passphrase';

/**
 * The file that a backup is: a tar of small files, packed by gzip, perhaps encrypted by age with a passphrase; its last file tells the
 * SHA-256 of each of the others, as `sha256sum -c` reads it. Any of these three programs opens it without Dossier. See docs/backup.md.
 */
export const SUMS = 'checksums.sha256';

/** Bytes of the largest file within; a chunk of rows is much smaller, a photograph may be as large as it was sent. */
const MOST_BYTES = 256 * 1024 * 1024;
const PACKED_BY = 5;
const AGE = Buffer.from('age-encryption.org/v1');
const GZIP = Buffer.from([0x1f, 0x8b]);

/** What is wrong with an archive, in words for whoever wants it back. */
export class BadArchive extends Error {}

/** Adds one file to an archive, and waits until there is room for the next. */
export type AddFile = (name: string, bytes: Buffer) => Promise<void>;

/**
 * Writes an archive as it is made; a few files are held in memory.
 * @param work adds the files @throws what `work` or `out` throws; `out` is destroyed then
 */
export async function writeArchive(
  out: Writable,
  { passphrase, at }: { passphrase?: string; at: Date },
  work: (add: AddFile) => Promise<void>,
): Promise<void> {
  const pack = tar.pack();
  // Told by what it flows through, and once more where nobody listens any longer.
  pack.on('error', () => undefined);
  const packed = createGzip({ level: PACKED_BY });
  const flowing = passphrase
    ? pipeline(pack, packed, (source: AsyncIterable<Buffer>) => encrypted(source, passphrase), out)
    : pipeline(pack, packed, out);
  // Whoever waits for room is told when there will be none.
  let refuse: ((error: Error) => void) | undefined;
  let broken: Error | undefined;
  flowing.catch((error: unknown) => {
    broken = error as Error;
    refuse?.(broken);
  });
  let sums = '';
  const put: AddFile = (name, bytes) =>
    new Promise<void>((resolve, reject) => {
      if (broken) return reject(broken);
      refuse = reject;
      const header = { name, size: bytes.length, mode: 0o600, mtime: at };
      const entry = pack.entry(header, bytes, (error) => (error ? reject(error) : resolve()));
      entry.on('error', reject);
    });
  try {
    await work(async (name, bytes) => {
      sums += `${sha256(bytes)}  ${name}\n`;
      await put(name, bytes);
    });
    await put(SUMS, Buffer.from(sums));
    pack.finalize();
    await flowing;
  } catch (error) {
    pack.destroy(error as Error);
    await flowing.catch(() => undefined);
    throw error;
  }
}

async function* encrypted(source: AsyncIterable<Buffer>, passphrase: string): AsyncGenerator<Uint8Array> {
  const encrypter = new Encrypter();
  encrypter.addRecipient(passphraseRecipient(passphrase));
  yield* await encrypter.encrypt(webStreamOf(source));
}

async function* decrypted(source: AsyncIterable<Buffer>, passphrase: string): AsyncGenerator<Uint8Array> {
  const decrypter = new Decrypter();
  decrypter.addIdentity(passphraseIdentity(passphrase));
  const plain = await decrypter.decrypt(webStreamOf(source)).catch((error: unknown) => {
    throw /no identity matched/.test(String(error))
      ? new BadArchive('The passphrase does not open this backup. Nothing was changed.')
      : new BadArchive(DAMAGED);
  });
  yield* plain;
}

const webStreamOf = (source: AsyncIterable<Buffer>): ReadableStream<Uint8Array> =>
  Readable.toWeb(Readable.from(source)) as unknown as ReadableStream<Uint8Array>;

export interface ArchiveFile {
  name: string;
  bytes: Buffer;
}

/**
 * The files of an archive in their order, each with its bytes; whether all of them are whole is known behind the last one only.
 * @throws BadArchive for what is no backup, is damaged, or is not opened by this passphrase
 */
export async function* readArchive(source: Readable, passphrase?: string): AsyncGenerator<ArchiveFile> {
  const told = new Map<string, string>();
  let sums: string | undefined;
  for await (const file of unpacked(source, passphrase)) {
    if (sums !== undefined) throw new BadArchive(DAMAGED);
    if (file.name === SUMS) sums = file.bytes.toString();
    else {
      if (told.has(file.name)) throw new BadArchive(DAMAGED);
      told.set(file.name, sha256(file.bytes));
      yield file;
    }
  }
  if (sums === undefined)
    throw new BadArchive(
      told.size > 0 ? CUT_OFF : 'This file is no backup of Dossier. Choose a file that a backup made.',
    );
  if (sums !== [...told].map(([name, sum]) => `${sum}  ${name}\n`).join('')) throw new BadArchive(DAMAGED);
}

const DAMAGED =
  'This backup is damaged: what is in it is not what was put in. Use another copy of it. Nothing was changed.';
const CUT_OFF = 'This backup is cut off: its end is missing. Copy it once more, or use another. Nothing was changed.';

async function* unpacked(source: Readable, passphrase?: string): AsyncGenerator<ArchiveFile> {
  const { first, all } = await beginningOf(source);
  const isEncrypted = first.subarray(0, AGE.length).equals(AGE);
  if (isEncrypted && !passphrase)
    throw new BadArchive('This backup is encrypted. Give the passphrase that it was made with. Nothing was changed.');
  if (!isEncrypted && !first.subarray(0, GZIP.length).equals(GZIP))
    throw new BadArchive('This file is no backup of Dossier. Choose a file that a backup made. Nothing was changed.');
  const extract = tar.extract();
  const flowing = isEncrypted
    ? pipeline(all, (bytes: AsyncIterable<Buffer>) => decrypted(bytes, passphrase!), createGunzip(), extract)
    : pipeline(all, createGunzip(), extract);
  // Awaited in the end: until then it must not be taken for nobody's.
  flowing.catch(() => undefined);
  try {
    for await (const entry of extract) {
      const { name, size = 0 } = entry.header;
      if (size > MOST_BYTES) throw new BadArchive(DAMAGED);
      const pieces: Buffer[] = [];
      for await (const piece of entry) pieces.push(piece as Buffer);
      yield { name, bytes: Buffer.concat(pieces) };
    }
    await flowing;
  } catch (error) {
    extract.destroy();
    throw inWords(await flowing.then(() => error, (cause: unknown) => (error instanceof BadArchive ? error : cause))); // prettier-ignore
  }
}

/** The first bytes, and all of them with those. */
async function beginningOf(source: Readable): Promise<{ first: Buffer; all: AsyncIterable<Buffer> }> {
  const pieces = source[Symbol.asyncIterator]() as AsyncIterator<Buffer>;
  let first = Buffer.alloc(0);
  while (first.length < AGE.length) {
    const { done, value } = await pieces.next();
    if (done) break;
    first = Buffer.concat([first, value]);
  }
  const all = async function* () {
    yield first;
    for (;;) {
      const { done, value } = await pieces.next();
      if (done) return;
      yield value;
    }
  };
  return { first, all: all() };
}

function inWords(error: unknown): Error {
  if (error instanceof BadArchive) return error;
  const { code, message } = error as { code?: string; message?: string };
  if (code === 'Z_BUF_ERROR' || /unexpected end|stream ended|truncated/i.test(message ?? ''))
    return new BadArchive(CUT_OFF);
  // What was asked of the disk and refused is not the archive's fault.
  return code !== undefined && /^E[A-Z]+$/.test(code) ? (error as Error) : new BadArchive(DAMAGED);
}

const sha256 = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');
