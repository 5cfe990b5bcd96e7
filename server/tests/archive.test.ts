import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PassThrough, Readable, Writable } from 'node:stream';
import { gunzipSync, gzipSync } from 'node:zlib';
import { BadArchive, readArchive, writeArchive, type ArchiveFile } from '../src/features/backup/archive';

const at = new Date('2026-03-24T09:00:00Z');
const FILES: ArchiveFile[] = [
  { name: 'about.json', bytes: Buffer.from('{"format":"dossier-backup"}\n') },
  { name: 'data/person/000001.jsonl', bytes: Buffer.from('{"full_name":"Nella Harrowfield-Voss"}\n'.repeat(3000)) },
  { name: 'pictures/0192f0c4-0000-7000-8000-000000000001.jpg', bytes: Buffer.from(Array.from({ length: 70_000 }, (_, i) => (i * 7919) % 251)) }, // prettier-ignore
];

async function written(passphrase?: string, files = FILES): Promise<Buffer> {
  const out = new PassThrough();
  const pieces: Buffer[] = [];
  out.on('data', (piece: Buffer) => pieces.push(piece));
  await writeArchive(out, { passphrase, at }, async (add) => {
    for (const { name, bytes } of files) await add(name, bytes);
  });
  return Buffer.concat(pieces);
}

const read = async (bytes: Buffer, passphrase?: string): Promise<ArchiveFile[]> => {
  const files = [];
  // In pieces, as they come from a disk or a line.
  const pieces = Array.from({ length: Math.ceil(bytes.length / 4096) }, (_, i) => bytes.subarray(i * 4096, (i + 1) * 4096)); // prettier-ignore
  for await (const file of readArchive(Readable.from(pieces), passphrase)) files.push(file);
  return files;
};

/** Short enough to be compared by the test runner in no time. */
const digests = (files: readonly ArchiveFile[]) =>
  files.map(({ name, bytes }) => [name, createHash('sha256').update(bytes).digest('hex')]);

describe('the archive of a backup', () => {
  it('gives back every file, byte for byte, in its order', async () => {
    expect(digests(await read(await written()))).toEqual(digests(FILES));
  });

  it('is opened and checked by tar, gzip and sha256sum', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'archive-'));
    try {
      writeFileSync(join(folder, 'backup.tar.gz'), await written());
      execFileSync('tar', ['-xzf', 'backup.tar.gz'], { cwd: folder });
      expect(readFileSync(join(folder, FILES[1]!.name))).toEqual(FILES[1]!.bytes);
      expect(execFileSync('sha256sum', ['-c', 'checksums.sha256'], { cwd: folder }).toString()).toContain(
        'about.json: OK',
      );
    } finally {
      rmSync(folder, { recursive: true });
    }
  });

  it('encrypted, shows nothing, and opens with its passphrase alone', async () => {
    const secret = await written('four words are enough');
    expect(secret.includes('Harrowfield')).toBe(false);
    expect(digests(await read(secret, 'four words are enough'))).toEqual(digests(FILES));
    await expect(read(secret, 'other words')).rejects.toThrow(/passphrase does not open/);
    await expect(read(secret)).rejects.toThrow(/is encrypted/);
    await expect(read(secret.subarray(0, -200), 'four words are enough')).rejects.toThrow(BadArchive);
  });

  it('is encrypted as others of its kind are', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'archive-'));
    try {
      writeFileSync(join(folder, 'ours'), await written('four words are enough'));
      // The package by itself, with its own way to a key. In a process: there it takes a tenth of the time.
      const program = `
        import { Decrypter, Encrypter } from 'age-encryption';
        import { readFileSync, writeFileSync } from 'node:fs';
        const [decrypter, encrypter] = [new Decrypter(), new Encrypter()];
        decrypter.addPassphrase('four words are enough');
        encrypter.setPassphrase('four words are enough');
        const plain = await decrypter.decrypt(readFileSync('${folder}/ours'));
        writeFileSync('${folder}/theirs', await encrypter.encrypt(plain));`;
      execFileSync(process.execPath, ['--input-type=module', '-e', program], { cwd: __dirname });
      expect(digests(await read(readFileSync(join(folder, 'theirs')), 'four words are enough'))).toEqual(
        digests(FILES),
      );
    } finally {
      rmSync(folder, { recursive: true });
    }
  });

  it('that was cut off says so, wherever that was', async () => {
    const whole = await written();
    for (const share of [0.2, 0.5, 0.9, 0.999])
      await expect(read(whole.subarray(0, Math.floor(whole.length * share)))).rejects.toThrow(/cut off/);
    await expect(read(gzipSync(gunzipSync(whole).subarray(0, 80 * 512)))).rejects.toThrow(BadArchive);
  });

  it('with one byte turned is damaged, and no file is taken for another', async () => {
    const tar = gunzipSync(await written());
    const within = [...FILES.slice(0, 2).map(({ bytes }) => tar.indexOf(bytes) + 5), tar.indexOf(FILES[2]!.bytes) + 60_000, tar.indexOf('checksums') + 600]; // prettier-ignore
    for (const place of within) {
      const turned = Buffer.from(tar);
      turned[place] = turned[place]! ^ 0x10;
      await expect(read(gzipSync(turned))).rejects.toThrow(BadArchive);
    }
    const packed = Buffer.from(await written());
    packed[Math.floor(packed.length / 2)]! ^= 0xff;
    await expect(read(packed)).rejects.toThrow(BadArchive);
  });

  it('is told from any other file', async () => {
    for (const other of [Buffer.alloc(0), Buffer.from('BEGIN:VCARD'), gzipSync('{}'), Buffer.from([0x1f, 0x8b])])
      await expect(read(other)).rejects.toThrow(BadArchive);
    await expect(read(await written(undefined, []))).resolves.toEqual([]);
  });

  it('ends with whoever writes or takes it', async () => {
    const full = new Writable({ write: (_chunk, _encoding, done) => done(Object.assign(new Error('full'), { code: 'ENOSPC' })) }); // prettier-ignore
    const many = async (add: (name: string, bytes: Buffer) => Promise<void>) => {
      for (let i = 0; i < 500; i++) await add(`data/note/${i}.jsonl`, Buffer.from(Array.from({ length: 9000 }, (_, k) => (k * i * 31) % 256))); // prettier-ignore
    };
    await expect(writeArchive(full, { at }, many)).rejects.toThrow('full');
    const out = new PassThrough().resume();
    await expect(writeArchive(out, { at }, () => Promise.reject(new Error('no table')))).rejects.toThrow('no table');
    expect(out.destroyed).toBe(true);
  });
});
