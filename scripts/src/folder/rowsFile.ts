import { csvLine, readCsv } from '@dossier/core/exchange/files';
import { closeSync, existsSync, fsyncSync, openSync, readFileSync, renameSync, statSync, truncateSync, writeFileSync, writeSync } from 'node:fs'; // prettier-ignore

/**
 * A CSV file to which rows are added so that a program that is killed at any moment neither loses nor doubles one: how much of the file is
 * whole stands in a file beside it, and what was written beyond is cut off and written again.
 */
export class RowsFile {
  private readonly known: Set<string>;

  /** @param key which column tells rows apart */
  constructor(
    private readonly path: string,
    private readonly head: readonly string[],
    private readonly key: number,
  ) {
    const whole = this.wholeBytes();
    if (existsSync(path) && whole !== undefined && statSync(path).size > whole) truncateSync(path, whole);
    const text = existsSync(path) ? readFileSync(path, 'utf8') : '';
    if (text === '') this.append([head]);
    this.known = new Set(readCsv(text, ',').rows.map((row) => row[key] ?? ''));
  }

  /** Adds those rows that are not there yet. */
  add(rows: readonly (readonly string[])[]): void {
    const fresh = rows.filter((row) => !this.known.has(row[this.key]!));
    if (fresh.length > 0) this.append(fresh);
    for (const row of fresh) this.known.add(row[this.key]!);
  }

  private append(rows: readonly (readonly string[])[]): void {
    const file = openSync(this.path, 'a');
    try {
      writeSync(file, rows.map((row) => csvLine(row, ',')).join(''));
      fsyncSync(file);
    } finally {
      closeSync(file);
    }
    writeFileSync(`${this.path}.whole.tmp`, String(statSync(this.path).size));
    renameSync(`${this.path}.whole.tmp`, `${this.path}.whole`);
  }

  private wholeBytes(): number | undefined {
    const beside = `${this.path}.whole`;
    return existsSync(beside) ? Number(readFileSync(beside, 'utf8')) : undefined;
  }
}
