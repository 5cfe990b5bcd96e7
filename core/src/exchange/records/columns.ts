import { onOneLine, writable } from '../../text';
import { rowState } from '../table';

/** A column of a table whose rows are records of one kind. */
export interface RecordColumn<Taken, Draft = never, Words = never> {
  key: string;
  header: string;
  type: 'text' | 'number' | 'date' | 'moment';
  about: string;
  /** Whether it may have several lines. */
  lines?: true;
  /** What stands in the cell: a number with a point; a day as 2026-03-24, a moment in ISO 8601. */
  get: (one: Taken) => string;
  /** Writes a cell; words about what is wrong with it where it cannot be. Missing where it is only shown. */
  set?: (draft: Draft, text: string, words: Words) => string | undefined;
}

/** What stands between several words of one cell. */
export const BETWEEN = '; ';

/** A column that is not read when its table comes back. */
export const onlyShown = <Taken>(
  key: string,
  header: string,
  type: RecordColumn<Taken>['type'],
  about: string,
  get: (one: Taken) => string,
): Omit<RecordColumn<Taken>, 'set'> => ({
  key,
  header,
  type,
  about: `${about} Only shown: it is not read when the table comes back.`,
  get,
});

/** By what a row is known again, and which of its cells were changed: what stands in the columns behind the others. */
export const backCells = <Taken extends { id: string }, Draft, Words>(
  columns: readonly RecordColumn<Taken, Draft, Words>[],
  one: Taken,
): [id: string, state: string] => [
  one.id,
  rowState(columns.filter(({ set }) => set).map(({ key, get }) => [key, get(one)] as const)),
];

/** Reads cells into a record. @param cells by the keys of their columns @returns what is wrong with which of them, and it without those */
export function withRecordCells<Taken, Draft extends object, Words>(
  columns: readonly RecordColumn<Taken, Draft, Words>[],
  draft: Draft,
  cells: ReadonlyMap<string, string>,
  words: Words,
): { draft: Draft; faults: { key: string; fault: string }[] } {
  const changed = { ...draft };
  const faults: { key: string; fault: string }[] = [];
  for (const { key, set, lines } of columns) {
    const written = cells.get(key);
    if (written === undefined || !set) continue;
    const fault = set(changed, lines ? writable(written).trim() : onOneLine(written), words);
    if (fault) faults.push({ key, fault });
  }
  return { draft: changed, faults };
}
