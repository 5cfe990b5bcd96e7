import { csvLine } from '@dossier/core/exchange/files';
import { backCells, RECORD_BACK, type RecordColumn } from '@dossier/core/exchange/records';
import ExcelJS from 'exceljs';
import type { Response } from 'express';

/** A table of records of one kind, and what it is called. */
export interface RecordTable<Taken extends { id: string }, Draft, Words> {
  /** Of the file, and of its sheet. */
  name: string;
  columns: readonly RecordColumn<Taken, Draft, Words>[];
  /** What a row without an id is, for the sheet that explains the columns. */
  withoutId: string;
}

const BACK = Object.values(RECORD_BACK);

/** Answers with records as a table that can come back. @param pages of them, some at a time */
export async function writeTable<Taken extends { id: string }, Draft, Words>(
  response: Response,
  format: 'csv' | 'xlsx',
  table: RecordTable<Taken, Draft, Words>,
  pages: AsyncIterable<readonly Taken[]>,
): Promise<void> {
  const { columns, name } = table;
  response.attachment(`${name.toLowerCase()}.${format}`);
  if (format === 'xlsx') {
    response.type('application/vnd.openxmlformats-officedocument.spreadsheetml.sheet');
    response.send(await workbook(table, pages));
    return;
  }
  response.type('text/csv; charset=utf-8');
  response.write(`\uFEFF${csvLine([...columns.map(({ header }) => header), ...BACK], ',')}`);
  for await (const some of pages)
    response.write(some.map((one) => csvLine([...columns.map(({ get }) => get(one)), ...backCells(columns, one)], ',')).join('')); // prettier-ignore
  response.end();
}

const WIDTHS = { text: 24, number: 14, date: 12, moment: 18 } as const;
const FORMATS = { text: '@', number: '#,##0.00', date: 'yyyy-mm-dd', moment: 'yyyy-mm-dd hh:mm' } as const;

async function workbook<Taken extends { id: string }, Draft, Words>(
  { name, columns, withoutId }: RecordTable<Taken, Draft, Words>,
  pages: AsyncIterable<readonly Taken[]>,
): Promise<Buffer> {
  const book = new ExcelJS.Workbook();
  book.creator = 'Dossier';
  const sheet = book.addWorksheet(name, { views: [{ state: 'frozen', ySplit: 1 }] });
  sheet.columns = [
    ...columns.map(({ header, type }) => ({ header, width: WIDTHS[type], style: { numFmt: FORMATS[type] } })),
    ...BACK.map((header) => ({ header, width: 12, hidden: true, style: { numFmt: '@' } })),
  ];
  sheet.getRow(1).font = { bold: true };
  sheet.autoFilter = { from: { row: 1, column: 1 }, to: { row: 1, column: columns.length } };
  for await (const some of pages)
    for (const one of some)
      sheet.addRow([...columns.map(({ type, get }) => cellValue(type, get(one))), ...backCells(columns, one)]);
  const about = book.addWorksheet('Columns');
  about.columns = [{ header: 'Column', width: 22 }, { header: 'What stands in it', width: 90 }]; // prettier-ignore
  about.getRow(1).font = { bold: true };
  for (const { header, about: what } of columns) about.addRow([header, what]);
  about.addRow([BACK.join(', '), `Hidden columns by which Dossier knows a row again when the table comes back. Leave them as they are; ${withoutId}`]); // prettier-ignore
  return Buffer.from(await book.xlsx.writeBuffer());
}

function cellValue(type: RecordColumn<unknown>['type'], text: string): string | number | Date | null {
  if (text === '') return null;
  if (type === 'text') return text;
  return type === 'number' ? Number(text) : new Date(type === 'date' ? `${text}T00:00:00Z` : text);
}
