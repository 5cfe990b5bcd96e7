import { cellMark, marksOf } from '../table';
import type { RecordColumn } from './columns';

/** Columns behind the others by which a row is known again, and which of its cells were changed. */
export const RECORD_BACK = { id: 'Dossier id', state: 'Dossier state' } as const;

type AnyColumn = Pick<RecordColumn<unknown>, 'key' | 'header'>;

/** Which column is which, by the names in the first row. @param needed without this column it is no such table: none then */
export function recordHead(
  columns: readonly AnyColumn[],
  needed: string,
  head: readonly string[],
): (string | undefined)[] | undefined {
  const names = new Map<string, string>([
    ...columns.map(({ header, key }) => [header.toLowerCase(), key] as const),
    ...Object.entries(RECORD_BACK).map(([key, header]) => [header.toLowerCase(), `back:${key}`] as const),
  ]);
  const keys = head.map((name) => names.get(name.trim().toLowerCase()));
  return keys.includes(needed) ? keys : undefined;
}

/** Cells that were changed in the table and may be written, and those that were changed here as well since. */
export interface CameBack {
  cells: Map<string, string>;
  conflicts: { key: string; here: string; there: string }[];
}

/** What a row that went out says now. @param state the marks that it went out with @param now as it is here */
export function cameBack<Taken, Draft, Words>(
  columns: readonly RecordColumn<Taken, Draft, Words>[],
  cells: ReadonlyMap<string, string>,
  state: string,
  now: Taken,
): CameBack {
  const marks = marksOf(state);
  const told: CameBack = { cells: new Map(), conflicts: [] };
  for (const { key, get, set } of columns) {
    const there = cells.get(key);
    if (there === undefined || !set) continue;
    const here = get(now);
    const went = marks.get(key);
    if (cellMark(there) === cellMark(here) || (went !== undefined && cellMark(there) === went)) continue;
    if (went !== undefined && cellMark(here) !== went) told.conflicts.push({ key, here, there });
    else told.cells.set(key, there);
  }
  return told;
}
