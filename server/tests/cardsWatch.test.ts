import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TokenMade } from '@dossier/contract';
import { readCsv } from '@dossier/core/exchange/files';
import { Client, demoPhoto } from './client';
import { ended, until } from './services';

jest.setTimeout(180_000);

const root = join(__dirname, '../..');
const base = mkdtempSync(join(tmpdir(), 'watched-'));
const paths = { folder: join(base, 'in'), token: join(base, 'token'), out: join(base, 'rows.csv') };
let manager: Client;
let tokenId: string;

beforeAll(async () => {
  manager = await Client.signedIn('maren@keldermoss.example');
  const scopes = ['pictures:send'];
  const { body } = await manager.send<TokenMade>('POST', '/tokens', { name: 'A folder', scopes, perMinute: 6000 });
  tokenId = body.id;
  mkdirSync(paths.folder);
  writeFileSync(paths.token, `${body.token}\n`);
});
afterAll(async () => {
  await manager.send('DELETE', `/tokens/${tokenId}`);
  rmSync(base, { recursive: true, force: true });
});

const address = () => new URL(process.env.DOSSIER_TEST_ADDRESS!).origin;
const program = (...more: string[]) => ['--import', 'tsx', 'scripts/src/cardsWatch.ts', paths.folder, '--to', address(), '--token-file', paths.token, '--out', paths.out, ...more]; // prettier-ignore
const start = () => spawn(process.execPath, program(), { cwd: root, stdio: 'ignore' });
const toEnd = (...more: string[]) => ended(process.execPath, program('--once', ...more));
const rows = () => (existsSync(paths.out) ? readCsv(readFileSync(paths.out, 'utf8'), ',').rows.slice(1) : []);
const within = (name: string) =>
  existsSync(join(paths.folder, name)) ? readdirSync(join(paths.folder, name)).sort() : [];

/** A page of a PDF that is nothing but a JPEG. */
function pdfOf(jpeg: Buffer, width: number, height: number): Buffer {
  const objects = [
    '<< /Type /Catalog /Pages 2 0 R >>',
    '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
    '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 240 180] /Contents 5 0 R /Resources << /XObject << /P 4 0 R >> >> >>',
    `<< /Type /XObject /Subtype /Image /Width ${width} /Height ${height} /ColorSpace /DeviceRGB /BitsPerComponent 8 /Filter /DCTDecode /Length ${jpeg.length} >>\nstream\n${jpeg.toString('latin1')}\nendstream`,
    '<< /Length 30 >>\nstream\nq 240 0 0 180 0 0 cm /P Do Q    \nendstream',
  ];
  return Buffer.from(`%PDF-1.4\n${objects.map((body, i) => `${i + 1} 0 obj\n${body}\nendobj\n`).join('')}trailer << /Root 1 0 R >>\n`, 'latin1'); // prettier-ignore
}

describe('a folder that is watched', () => {
  it('becomes rows, one for each card, though the program is killed twice', async () => {
    const count = Number(process.env.DOSSIER_TEST_PICTURES ?? 40);
    for (let i = 0; i < count; i++) writeFileSync(join(paths.folder, `card ${i}.jpg`), demoPhoto('skerry'));
    for (const share of [0.2, 0.6]) {
      const running = start();
      await until(async () => rows().length >= count * share);
      running.kill('SIGKILL');
      await new Promise((resolve) => running.once('close', resolve));
    }
    expect((await toEnd()).status).toBe(0);
    expect(within('done')).toHaveLength(count);
    expect(rows()).toHaveLength(count);
    expect(new Set(rows().map(([file]) => file)).size).toBe(count);
    expect(new Set(rows().map(([, card]) => card)).size).toBe(count);
    expect(rows()[0]).toEqual(expect.arrayContaining(['Tobias', 'Skerritt', 'Skerry Fish Auctions Ltd', 'read']));
  });

  it('may hold PDFs and texts; what cannot be read is put aside with the reason', async () => {
    const { default: sharp } = await import('sharp');
    const blank = await sharp({ create: { width: 480, height: 360, channels: 3, background: '#cccccc' } }).jpeg().toBuffer(); // prettier-ignore
    writeFileSync(join(paths.folder, 'scan.pdf'), pdfOf(blank, 480, 360));
    writeFileSync(join(paths.folder, 'signature.txt'), 'Pia Watched\nwatched@quay.example\n+44 1632 960551');
    writeFileSync(join(paths.folder, 'broken.pdf'), '%PDF-1.4 and nothing more');
    writeFileSync(join(paths.folder, 'broken.png'), 'no picture');
    writeFileSync(join(paths.folder, 'card 0.jpg'), demoPhoto('skerry'));
    writeFileSync(join(paths.folder, 'list.docx'), 'of no concern');
    expect((await toEnd()).status).toBe(0);
    expect(within('failed')).toEqual(['broken.pdf', 'broken.pdf.reason.txt', 'broken.png', 'broken.png.reason.txt']);
    expect(readFileSync(join(paths.folder, 'failed/broken.png.reason.txt'), 'utf8')).toContain('not a picture');
    expect(within('done')).toEqual(expect.arrayContaining(['scan.pdf', 'signature.txt', 'card 0 (2).jpg']));
    expect(rows().find(([file]) => file === 'signature.txt')).toEqual(expect.arrayContaining(['Pia', 'Watched']));
    expect(rows().filter(([file]) => file === 'scan.pdf')).toHaveLength(1);
    // The very same file, which was done before, is no second row.
    expect(rows().filter(([file]) => file === 'card 0.jpg')).toHaveLength(1);
    expect(readdirSync(paths.folder)).toContain('list.docx');
  });

  it('waits with files that are still growing', async () => {
    const running = start();
    const path = join(paths.folder, 'slow.jpg');
    const bytes = demoPhoto('kestrel');
    // For as long as it takes another file to be read it grows.
    writeFileSync(join(paths.folder, 'quick.txt'), 'Quick Watched\nquick@quay.example');
    let length = 1000;
    await until(async () => {
      writeFileSync(path, bytes.subarray(0, (length += 50)));
      return rows().some(([file]) => file === 'quick.txt');
    });
    expect(rows().some(([file]) => file === 'slow.jpg')).toBe(false);
    writeFileSync(path, bytes);
    await until(async () => rows().some(([file]) => file === 'slow.jpg'));
    running.kill('SIGTERM');
    await new Promise((resolve) => running.once('close', resolve));
    expect(within('failed')).not.toContain('slow.jpg');
  });

  it('says what is wrong with a token, an address or a folder, and leaves everything where it is', async () => {
    writeFileSync(join(paths.folder, 'late.jpg'), demoPhoto('skerry'));
    writeFileSync(paths.token, 'dossier_none');
    const refused = await toEnd();
    expect([refused.status, refused.stderr]).toEqual([2, expect.stringContaining('not known')]);
    expect(readdirSync(paths.folder)).toContain('late.jpg');
    expect((await toEnd('--file', 'customer')).stderr).toContain('--file takes one of');
    const nowhere = await ended(process.execPath, ['--import', 'tsx', 'scripts/src/cardsWatch.ts', join(base, 'none'), '--to', address(), '--token-file', paths.token]); // prettier-ignore
    expect([nowhere.status, nowhere.stderr]).toEqual([2, expect.stringContaining('There is no folder')]);
  });
});
