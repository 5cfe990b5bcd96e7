import type { RowOutcome } from '@dossier/contract';
import type { Mapping } from '@dossier/core/exchange/files';
import type { EntityManager } from 'typeorm';
import type { ImportFile, ImportRowRecord } from './entities';

/** So many rows are written in one statement. */
const AT_ONCE = 2_000;

/** @param first number of the first of them */
export async function insertRows(
  manager: EntityManager,
  { id, workspaceId }: Pick<ImportFile, 'id' | 'workspaceId'>,
  rows: readonly ImportRowRecord['given'][],
  first: number,
): Promise<void> {
  for (let i = 0; i < rows.length; i += AT_ONCE) {
    const some = rows.slice(i, i + AT_ONCE);
    await manager.query(
      `insert into import_row (import_id, workspace_id, number, given)
       select $1, $2, $3::int + (place - 1)::int, given::jsonb from unnest($4::text[]) with ordinality rows(given, place)`,
      [id, workspaceId, first + i, some.map((row) => JSON.stringify(row))],
    );
  }
}

/** How the columns of the latest file with the same head were read that was brought in. */
export async function mappingOfHead(
  manager: EntityManager,
  workspaceId: string,
  head: readonly string[],
): Promise<Mapping | undefined> {
  const [row] = await manager.query<{ mapping: Mapping }[]>(
    `select mapping from import_file where workspace_id = $1 and head = $2::jsonb and state <> 'mapping'
     order by made_at desc limit 1`,
    [workspaceId, JSON.stringify(head)],
  );
  return row?.mapping;
}

/** What was found out by a run that wrote nothing is forgotten. */
export const forgetOutcomes = (manager: EntityManager, workspaceId: string, importId: string): Promise<unknown> =>
  manager.query(
    `update import_row set outcome = null, person_id = null, faults = '[]', conflicts = '[]', candidates = '[]'
     where workspace_id = $1 and import_id = $2 and outcome is not null`,
    [workspaceId, importId],
  );

/** Files of a workspace take turns, some rows each: whoever is in two of them is known the second time. */
export const lockImports = (manager: EntityManager, workspaceId: string): Promise<unknown> =>
  manager.query(`select pg_advisory_xact_lock(hashtextextended('imports ' || $1, 0))`, [workspaceId]);

/** What became of some rows. */
export const keepResults = (
  manager: EntityManager,
  workspaceId: string,
  importId: string,
  results: readonly ({ number: number } & Pick<ImportRowRecord, 'outcome' | 'personId' | 'noteId' | 'faults' | 'conflicts' | 'candidates' | 'before' | 'after'>)[], // prettier-ignore
): Promise<unknown> =>
  manager.query(
    `update import_row r set outcome = kept.outcome, person_id = kept."personId", note_id = kept."noteId", faults = kept.faults,
       conflicts = kept.conflicts, candidates = kept.candidates, before = kept.before, after = kept.after,
       -- They are kept with the person by then.
       given = case when kept."personId" is not null and jsonb_typeof(r.given) = 'object' then r.given - 'pictures' else r.given end
     from jsonb_to_recordset($3::jsonb) as kept(number integer, outcome text, "personId" uuid, "noteId" uuid, faults jsonb,
       conflicts jsonb, candidates jsonb, before jsonb, after jsonb)
     where r.workspace_id = $1 and r.import_id = $2 and r.number = kept.number`,
    [workspaceId, importId, JSON.stringify(results)],
  );

export interface Counted {
  import_id: string;
  outcome: RowOutcome | null;
  undone: 'undone' | 'kept' | null;
  rows: number;
  conflicts: number;
}

export const countOutcomes = (
  manager: EntityManager,
  workspaceId: string,
  importIds: readonly string[],
): Promise<Counted[]> =>
  manager.query(
    `select import_id, outcome, undone, count(*)::int as rows, (count(*) filter (where conflicts <> '[]'))::int as conflicts
     from import_row where workspace_id = $1 and import_id = any($2::uuid[]) group by 1, 2, 3`,
    [workspaceId, importIds],
  );

/** Whether something hangs on a person that this row has not brought. */
export async function hasMore(
  manager: EntityManager,
  workspaceId: string,
  personId: string,
  noteId: string | null,
): Promise<boolean> {
  const [row] = await manager.query<{ more: boolean }[]>(
    `select exists (select from note where workspace_id = $1 and person_id = $2 and id is distinct from $3)
       or exists (select from card where workspace_id = $1 and person_id = $2 and engine <> 'file')
       or exists (select from task where workspace_id = $1 and person_id = $2)
       or exists (select from consent where workspace_id = $1 and person_id = $2)
       or exists (select from merge where workspace_id = $1 and into_id = $2 and undone_at is null) as more`,
    [workspaceId, personId, noteId],
  );
  return row!.more;
}

/** Whether somebody became another person by a merge that holds. */
export async function isMerged(manager: EntityManager, workspaceId: string, personId: string): Promise<boolean> {
  const [row] = await manager.query<{ merged: boolean }[]>(
    `select exists (select from merge where workspace_id = $1 and undone_at is null and $2::uuid = any(other_ids)) as merged`,
    [workspaceId, personId],
  );
  return row!.merged;
}
