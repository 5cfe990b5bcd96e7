import { X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { certificateFor } from '../certificate.mjs';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'dossier-https-'));
});
afterEach(() => rmSync(folder, { recursive: true }));

describe('the certificate of this machine', () => {
  it('is good for its addresses, and its key for nobody else to read', async () => {
    const { key, certificate } = await certificateFor(['192.0.2.7'], folder);
    const made = new X509Certificate(readFileSync(certificate));
    expect([made.checkIP('192.0.2.7'), made.checkIP('127.0.0.1'), made.checkHost('localhost')]).not.toContain(
      undefined,
    );
    expect(made.checkIP('192.0.2.8')).toBeUndefined();
    expect(statSync(key).mode & 0o077).toBe(0);
  });

  it('stays the same as long as it fits, and is another one for another address', async () => {
    const read = async (...addresses: string[]) =>
      readFileSync((await certificateFor(addresses, folder)).certificate, 'utf8');
    const first = await read('192.0.2.7');
    expect(await read('192.0.2.7')).toBe(first);
    expect(await read('192.0.2.7', '192.0.2.9')).not.toBe(first);
  });
});
