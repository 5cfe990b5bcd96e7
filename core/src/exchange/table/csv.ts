import Papa from 'papaparse';
import { guardedCell, unguardedCell } from './guardedCell';

export const DELIMITERS = [',', ';', '\t'] as const;
export type Delimiter = (typeof DELIMITERS)[number];

/** A line of a CSV file (RFC 4180), ended with CRLF. */
export const csvLine = (cells: readonly string[], delimiter: Delimiter): string =>
  `${Papa.unparse([cells.map(guardedCell)], { delimiter, header: false })}\r\n`;

export interface CsvTable {
  rows: string[][];
  delimiter: Delimiter;
  /** Where a quotation mark opens that is never closed: everything behind it has become one cell. */
  openLine: number | undefined;
}

/** The cells of a CSV file. The delimiter is the one that makes the most even table. Lines without anything are left out. */
export function readCsv(text: string, delimiter?: Delimiter): CsvTable {
  const found = delimiter ?? delimiterOf(text);
  const whole = text.replace(/^\uFEFF/, '');
  const { data, errors } = Papa.parse<string[]>(whole, { delimiter: found, skipEmptyLines: 'greedy' });
  const open = errors.find(({ code }) => code === 'MissingQuotes');
  const openLine = open && whole.slice(0, open.index).split(/\r\n|\r|\n/).length;
  return { rows: data.map((row) => row.map(unguardedCell)), delimiter: found, openLine };
}

const JUDGED_BY_LINES = 50;

function delimiterOf(text: string): Delimiter {
  // Spreadsheets say it in a line before the first.
  const said = /^\uFEFF?sep=([,;\t])\r?\n/.exec(text)?.[1];
  if (said) return said as Delimiter;
  let best: Delimiter = ',';
  let bestWorth = 0;
  for (const delimiter of DELIMITERS) {
    const { data } = Papa.parse<string[]>(text.slice(0, 200_000), { delimiter, preview: JUDGED_BY_LINES, skipEmptyLines: 'greedy' }); // prettier-ignore
    const widths = data.map((row) => row.length);
    const width = widths[0] ?? 1;
    // How many cells more than one a line has, where lines agree.
    const worth = (width - 1) * (widths.filter((one) => one === width).length / Math.max(1, widths.length)) ** 2;
    if (worth > bestWorth) [best, bestWorth] = [delimiter, worth];
  }
  return best;
}
