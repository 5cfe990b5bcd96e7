import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs'; // prettier-ignore
import { tmpdir } from 'node:os';
import { extname, join, parse } from 'node:path';
import { askService, NotReadable, type Service } from './askService';
import type { RowsFile } from './rowsFile';
import { rowsOfReading } from './rowsOfReading';

export interface Watched {
  folder: string;
  /** Where files go that were read. */
  done: string;
  /** Where files go that cannot be, with the reason beside them. */
  failed: string;
  rows: RowsFile | undefined;
  service: Service;
}

const PICTURES = ['.jpg', '.jpeg', '.png', '.webp', '.heic', '.heif'];
const KNOWN = [...PICTURES, '.pdf', '.txt'];
const AT_ONCE = 2;
const PDF_DOTS_PER_INCH = '300';

/** Sizes and times of files as they were at the last look. */
type Look = Map<string, string>;

/**
 * Looks once into a folder: what is there as it was at the look before is whole and is sent. Whatever happens in between, each card is a
 * row once: the same file is asked for under the same key, and a row that is there is not written again.
 * @returns this look, for the next, and how many files were dealt with
 */
export async function lookInto(watched: Watched, before: Look): Promise<{ look: Look; dealtWith: number }> {
  const look: Look = new Map();
  for (const name of readdirSync(watched.folder).sort()) {
    if (name.startsWith('.') || !KNOWN.includes(extname(name).toLowerCase())) continue;
    const stat = statSync(join(watched.folder, name), { throwIfNoEntry: false });
    if (stat?.isFile()) look.set(name, `${stat.size} ${stat.mtimeMs}`);
  }
  const whole = [...look.keys()].filter((name) => before.get(name) === look.get(name));
  let dealtWith = 0;
  const next = async (): Promise<void> => {
    for (let name = whole.shift(); name !== undefined; name = whole.shift()) {
      await dealWith(watched, name);
      dealtWith++;
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, next));
  return { look, dealtWith };
}

async function dealWith({ folder, done, failed, rows, service }: Watched, name: string): Promise<void> {
  const path = join(folder, name);
  try {
    const bytes = readFileSync(path);
    // Two files of the same picture are two pictures.
    const key = createHash('sha256').update(name).update('\0').update(bytes).digest('hex');
    const isText = extname(name).toLowerCase() === '.txt';
    const pages = extname(name).toLowerCase() === '.pdf' ? pagesOf(path) : [bytes];
    for (const [i, page] of pages.entries()) {
      const reading = await askService(service, pages.length > 1 ? `${key} ${i}` : key, page, isText);
      rows?.add(rowsOfReading(name, reading));
    }
    moveInto(done, folder, name);
  } catch (error) {
    if (!(error instanceof NotReadable)) throw error;
    const given = moveInto(failed, folder, name);
    writeFileSync(join(failed, `${given}.reason.txt`), `${error.message}\n`);
  }
}

/** @returns under which name: one that is taken is given another */
function moveInto(to: string, from: string, name: string): string {
  mkdirSync(to, { recursive: true });
  const { name: stem, ext } = parse(name);
  let given = name;
  for (let n = 2; statSync(join(to, given), { throwIfNoEntry: false }); n++) given = `${stem} (${n})${ext}`;
  renameSync(join(from, name), join(to, given));
  return given;
}

/** Each page of a PDF as a picture. @throws NotReadable for one that is none */
function pagesOf(path: string): Buffer[] {
  const folder = mkdtempSync(join(tmpdir(), 'dossier-pages-'));
  try {
    const { status, error } = spawnSync('pdftoppm', ['-r', PDF_DOTS_PER_INCH, '-jpeg', path, join(folder, 'page')], {
      stdio: 'ignore',
      timeout: 120_000,
    });
    const pages = readdirSync(folder).sort();
    if (error || status !== 0 || pages.length === 0) throw new NotReadable('This PDF cannot be opened.');
    return pages.map((page) => readFileSync(join(folder, page)));
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
