import { appendFileSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { RowsFile } from './rowsFile';

const folder = mkdtempSync(join(tmpdir(), 'rows-'));
afterAll(() => rmSync(folder, { recursive: true }));

describe('a file of rows', () => {
  const path = join(folder, 'rows.csv');
  const open = () => new RowsFile(path, ['Card', 'Name'], 0);

  it('has each row once, however often it is added and opened again', () => {
    open().add([['1', 'Ada'], ['2', '=cmd|calc']]); // prettier-ignore
    const rows = open();
    rows.add([['2', 'another'], ['3', 'Cy\nLund, "the boat"']]); // prettier-ignore
    rows.add([['3', 'again']]);
    expect(readFileSync(path, 'utf8')).toBe(`Card,Name\r\n1,Ada\r\n2,'=cmd|calc\r\n3,"Cy\nLund, ""the boat"""\r\n`);
  });

  it('is cut back to what was whole where a program was killed while it wrote', () => {
    const before = readFileSync(path, 'utf8');
    appendFileSync(path, '4,"half a r');
    open().add([['4', 'Dora']]);
    expect(readFileSync(path, 'utf8')).toBe(`${before}4,Dora\r\n`);
  });

  it('is gone on with where somebody has put another one there', () => {
    writeFileSync(path, 'Card,Name\r\n9,Ivo\r\n');
    open().add([['9', 'Ivo'], ['10', 'Joan']]); // prettier-ignore
    expect(readFileSync(path, 'utf8')).toBe('Card,Name\r\n9,Ivo\r\n10,Joan\r\n');
  });
});
