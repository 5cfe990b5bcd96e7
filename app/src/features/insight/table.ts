import type { Href } from 'expo-router';

/** A number or word of a table, and the list behind it. */
export type Cell = string | number | null | { value: string | number | null; href: Href };

export interface Table {
  columns: readonly string[];
  rows: readonly (readonly Cell[])[];
}

export const valueOf = (cell: Cell): string | number | null =>
  cell !== null && typeof cell === 'object' ? cell.value : cell;
export const hrefOf = (cell: Cell): Href | undefined =>
  cell !== null && typeof cell === 'object' ? cell.href : undefined;

/** As it is read; numbers with their groups. */
export const shown = (cell: Cell): string => {
  const value = valueOf(cell);
  return value === null ? '–' : typeof value === 'number' ? value.toLocaleString('en') : value;
};

/** Comma-separated (RFC 4180); what a spreadsheet would take for a formula is text. */
export function csvOf({ columns, rows }: Table): string {
  const field = (value: string | number | null): string => {
    if (value === null) return '';
    if (typeof value === 'number') return String(value);
    const safe = /^[=+\-@\t\r]/.test(value) ? `'${value}` : value;
    return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
  };
  return [columns, ...rows.map((row) => row.map(valueOf))].map((row) => row.map(field).join(',')).join('\r\n') + '\r\n';
}
