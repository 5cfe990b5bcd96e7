import type { TableBack } from '@dossier/contract';
import { recordHead, type RecordColumn } from '@dossier/core/exchange/records';
import type { DataSource, EntityManager } from 'typeorm';
import { z } from 'zod';
import { ProblemError } from '../../../platform/problem';
import { inWorkspace } from '../../../platform/workspaceScope';
import { parsing } from '../bringIn/parsing';

const MOST_ROWS = 5_000;
/** So much is told of what went wrong. */
const MOST_TOLD = 200;

/** A row of a table that came back. */
export interface BackRow {
  /** From 1, below the head. */
  number: number;
  id: string | undefined;
  /** Whether a row above has the same id. */
  isTwice: boolean;
  /** The marks that it went out with; empty where there are none. */
  state: string;
  /** By the keys of their columns. */
  cells: Map<string, string>;
}

/** The rows of a table. @param needed the column without which it is no such table @throws ProblemError 422 for what is none */
export async function backRows(
  bytes: Uint8Array,
  columns: readonly Pick<RecordColumn<unknown>, 'key' | 'header'>[],
  needed: string,
  whatOf: string,
): Promise<BackRow[]> {
  const { head, rows } = await parsing(bytes, null);
  const table = [...(head ? [head] : []), ...rows].filter((row): row is string[] => Array.isArray(row));
  const keys = table[0] && recordHead(columns, needed, table[0]);
  const header = columns.find(({ key }) => key === needed)?.header;
  if (!keys)
    throw new ProblemError(422, 'unreadable-file', 'Not readable', `This is no table of ${whatOf}: its first row has no column “${header}”. Take one out first, and change that.`); // prettier-ignore
  if (table.length - 1 > MOST_ROWS)
    throw new ProblemError(422, 'unreadable-file', 'Too much', `There are more than ${MOST_ROWS.toLocaleString('en')} rows. Bring them in parts.`); // prettier-ignore
  const seen = new Set<string>();
  return table.slice(1).map((row, number) => {
    const cells = new Map(keys.flatMap((key, place) => (key ? [[key, row[place] ?? ''] as const] : [])));
    const id = z.uuid().safeParse(cells.get('back:id')?.trim());
    const isTwice = id.success && seen.has(id.data);
    if (id.success) seen.add(id.data);
    return {
      number: number + 1,
      id: id.success ? id.data : undefined,
      isTwice,
      state: cells.get('back:state') ?? '',
      cells,
    };
  });
}

export const TWICE = 'This row is there twice; only the first is read.';

/** What a table has done so far, and what stands against it. */
export const nothingTold = (): TableBack => ({ made: 0, changed: 0, same: 0, conflicts: [], faults: [] });

/** What would have been done is taken back. */
class OnlyLooked extends Error {
  constructor(readonly told: TableBack) {
    super();
  }
}

/** Does what a table says, all in one transaction. @param preview only says what would be done */
export async function bringBack(
  database: DataSource,
  workspaceId: string,
  preview: boolean,
  bring: (manager: EntityManager) => Promise<TableBack>,
): Promise<TableBack> {
  try {
    return await inWorkspace(database, workspaceId, async (manager) => {
      const { conflicts, faults, ...counts } = await bring(manager);
      const told = { ...counts, conflicts: conflicts.slice(0, MOST_TOLD), faults: faults.slice(0, MOST_TOLD) };
      if (preview) throw new OnlyLooked(told);
      return told;
    });
  } catch (error) {
    if (error instanceof OnlyLooked) return error.told;
    throw error;
  }
}
