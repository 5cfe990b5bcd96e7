import {
  decodeText,
  hasHead,
  isTarget,
  proposeMapping,
  readCsv,
  readPeopleJson,
  readVcards,
  type IncomingPerson,
  type Mapping,
} from '@dossier/core/exchange/files';
import { writable } from '@dossier/core/text';
import ExcelJS from 'exceljs';
import { unzipSync, zipSync } from 'fflate';

/** What the thread for reading files can be asked for: see `parsing`. */

export interface ParsedFile {
  format: 'vcard' | 'csv' | 'xlsx' | 'json';
  /** The first row, where it says what stands in the columns. */
  head: string[] | null;
  rows: (string[] | IncomingPerson)[];
  mapping: Mapping;
}

/** Words for whoever brings in what cannot be read; an error of another kind is lost on its way out of the thread. */
export interface Unreadable {
  unreadable: string;
}

const MOST_ROWS = 200_000;
const MOST_COLUMNS = 300;
const MOST_UNPACKED_BYTES = 300_000_000;
/** So many rows tell what the columns are. */
const JUDGED_BY = 200;

export async function read({
  bytes,
  country,
}: {
  bytes: Uint8Array;
  country: string | null;
}): Promise<ParsedFile | Unreadable> {
  // prettier-ignore
  if (bytes.length === 0) return { unreadable: 'This file is empty.' };
  if (isZip(bytes)) return readXlsx(bytes);
  if (isOld(bytes))
    return { unreadable: 'This is an old kind of spreadsheet. Save it as XLSX or CSV, then bring that in.' };
  const { text } = decodeText(bytes.subarray(0, 100_000));
  if (/^\uFEFF?\s*BEGIN:VCARD/im.test(text)) {
    const rows = readVcards(bytes, { country });
    return rows.length === 0
      ? { unreadable: 'There is nobody in this file of vCards.' }
      : { format: 'vcard', head: null, rows, mapping: [] };
  }
  if (/^\uFEFF?\s*\{/.test(text)) {
    const rows = readPeopleJson(decodeText(bytes).text);
    if (!rows) return { unreadable: 'This JSON file was not taken out of Dossier, or by a newer one. Bring in vCards, a CSV file or an XLSX workbook.' }; // prettier-ignore
    if (rows.length === 0) return { unreadable: 'There is nobody in this file.' };
    return rows.length > MOST_ROWS ? tooMany() : { format: 'json', head: null, rows, mapping: [] };
  }
  // Bytes that are no text.
  if (/(?![\t\n\v\f\r])\p{Cc}/u.test(text.slice(0, 2000))) return { unreadable: 'This is no file of people. Bring in vCards, a CSV file or an XLSX workbook.' }; // prettier-ignore
  const { rows, openLine } = readCsv(decodeText(bytes).text);
  if (openLine) return { unreadable: `The quotation mark in line ${openLine} is never closed. Close it or take it out, then bring the file in.` }; // prettier-ignore
  return asTable('csv', rows);
}

const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;
const isOld = (bytes: Uint8Array): boolean => bytes[0] === 0xd0 && bytes[1] === 0xcf && bytes[2] === 0x11;

const tooMany = (): Unreadable => ({ unreadable: `There are more than ${MOST_ROWS.toLocaleString('en')} rows. Bring them in parts.` }); // prettier-ignore

const tooWide = (): Unreadable => ({ unreadable: `There are more than ${MOST_COLUMNS} columns. Leave out those that are of no use.` }); // prettier-ignore

function asTable(format: 'csv' | 'xlsx', given: readonly (readonly string[])[]): ParsedFile | Unreadable {
  const all = given.map((row) => row.map((cell) => writable(cell))).filter((row) => row.some((cell) => cell.trim()));
  if (all.length === 0) return { unreadable: 'There is nothing in this table.' };
  if (all.length > MOST_ROWS) return tooMany();
  if (all.some((row) => row.length > MOST_COLUMNS)) return tooWide();
  const head = hasHead(all.slice(0, JUDGED_BY)) ? all[0]! : null;
  const rows = head ? all.slice(1) : all;
  if (rows.length === 0) return { unreadable: 'There is nobody under the first row of this table.' };
  return { format, head, rows, mapping: proposeMapping(head, rows.slice(0, JUDGED_BY)) };
}

/** The first sheet; where a sheet behind it says which of our columns each one is, it is that, whatever it is called by now. */
async function readXlsx(bytes: Uint8Array): Promise<ParsedFile | Unreadable> {
  const rows: string[][] = [];
  let keys = new Map<string, string>();
  try {
    const book = new ExcelJS.Workbook();
    await book.xlsx.load(cellsAlone(bytes), { ignoreNodes: BESIDES_CELLS });
    const [people, explained] = book.worksheets;
    people?.eachRow((row) => rows.push(cellsOf(row)));
    if (explained) keys = keysIn(explained);
  } catch (error) {
    if (error instanceof TooWide) return tooWide();
    if (error instanceof TooLarge) return { unreadable: 'This workbook is too large. Bring it in parts.' };
    return { unreadable: 'This workbook cannot be read. Open it in a spreadsheet, save it as XLSX, then bring that in.' }; // prettier-ignore
  }
  const table = asTable('xlsx', rows);
  if ('unreadable' in table || !table.head) return table;
  const mapping = table.head.map((header, i) => {
    const key = keys.get(header.trim());
    return key !== undefined && isTarget(key) ? key : (table.mapping[i] ?? null);
  });
  return { ...table, mapping };
}

class TooLarge extends Error {}
class TooWide extends Error {}

/** What cells are made of. Pictures, drawings, comments and macros are left packed. */
const PARTS =
  /^(\[Content_Types\]\.xml|_rels\/\.rels|xl\/_rels\/workbook\.xml\.rels|xl\/(workbook|styles|sharedStrings|worksheets\/sheet\d+)\.xml)$/;
/** Kinds of nodes of a sheet that point to such parts, or repeat a cell over its neighbours. */
const BESIDES_CELLS = ['mergeCells', 'autoFilter', 'hyperlinks', 'dataValidations', 'conditionalFormatting', 'picture', 'drawing', 'legacyDrawing', 'tableParts', 'rowBreaks', 'extLst']; // prettier-ignore

/**
 * A workbook of nothing but cells, so large as it says it is: a small file can be made to become a large one.
 * The library's reader of a stream loses pieces of one file in some hundreds and leaves sheets in the folder for
 * passing files; read as a whole it does neither.
 */
function cellsAlone(bytes: Uint8Array): ExcelJS.Buffer {
  let size = 0;
  const parts = unzipSync(bytes, {
    filter: ({ name, originalSize }) => {
      if (!PARTS.test(name)) return false;
      size += originalSize;
      if (size > MOST_UNPACKED_BYTES) throw new TooLarge();
      return true;
    },
  });
  return Buffer.from(zipSync(parts, { level: 0 })) as unknown as ExcelJS.Buffer;
}

function cellsOf(row: ExcelJS.Row): string[] {
  const values = row.values as ExcelJS.CellValue[];
  // A format alone may reach to the last column there can be.
  if (values.length > MOST_COLUMNS + 1 && values.some((value, i) => i > MOST_COLUMNS && value !== null && value !== undefined)) throw new TooWide(); // prettier-ignore
  const columns = Math.min(Math.max(0, values.length - 1), MOST_COLUMNS);
  return Array.from({ length: columns }, (_, i) => cellText(values[i + 1]));
}

/** What each column is, by its name, where a sheet explains our columns: names in the first, keys in the second. */
function keysIn(sheet: ExcelJS.Worksheet): Map<string, string> {
  const rows = (sheet.getRows(1, Math.min(sheet.rowCount, MOST_COLUMNS + 20)) ?? []).map(cellsOf);
  const head = rows.findIndex(([header, key]) => header === EXPLAINED[0] && key === EXPLAINED[1]);
  const explained = head < 0 ? [] : rows.slice(head + 1);
  return new Map(explained.flatMap(([header = '', key = '']) => (key ? [[header.trim(), key.trim()]] : [])));
}

/** Heads of the sheet that explains a workbook's columns, see `writeXlsx`. */
const EXPLAINED = ['Column', 'Key'] as const;

function cellText(value: ExcelJS.CellValue | undefined): string {
  if (value === null || value === undefined) return '';
  if (value instanceof Date) {
    const iso = Number.isNaN(value.getTime()) ? '' : value.toISOString();
    return iso.endsWith('T00:00:00.000Z') ? iso.slice(0, 10) : iso;
  }
  if (typeof value !== 'object') return String(value);
  if ('richText' in value) return value.richText.map(({ text }) => text).join('');
  if ('hyperlink' in value) return cellText(value.text as ExcelJS.CellValue);
  // What a formula last gave.
  if ('result' in value) return cellText(value.result as ExcelJS.CellValue);
  return '';
}
