import type { EntityManager } from 'typeorm';
import { KEPT_TABLES, type KeptTable } from './tables';

/** Rows that are read from the database at a time. */
const AT_ONCE = 400;

/** The bytes of pictures are files of their own. */
const columnsOf = (table: KeptTable): string => (table === 'stored_file' ? 'id, workspace_id, type' : '*');

/** The number of the newest change of the tables. */
export async function schemaOf(manager: EntityManager): Promise<number> {
  const [row] = await manager.query<{ schema: string }[]>('select max(timestamp) as schema from migration');
  return Number(row!.schema);
}

export async function workspaceRow(manager: EntityManager, workspaceId: string): Promise<Record<string, unknown>> {
  const [row] = await manager.query<{ row: Record<string, unknown> }[]>(
    'select row_to_json(w) as row from workspace w where id = $1',
    [workspaceId],
  );
  return row!.row;
}

export async function countRows(manager: EntityManager, workspaceId: string, table: KeptTable): Promise<number> {
  const [row] = await manager.query<{ count: number }[]>(
    `select count(*)::int as count from ${table} where workspace_id = $1`,
    [workspaceId],
  );
  return row!.count;
}

/** All rows of a table in the order of its key, each as JSON, some at a time. */
export async function* rowsOf(manager: EntityManager, workspaceId: string, table: KeptTable): AsyncGenerator<string[]> {
  const [{ key }] = (await manager.query(
    `select string_agg(quote_ident(a.attname), ', ' order by k.place) as key
     from pg_constraint c, unnest(c.conkey) with ordinality k(attnum, place), pg_attribute a
     where c.conrelid = $1::regclass and c.contype = 'p' and a.attrelid = c.conrelid and a.attnum = k.attnum`,
    [table],
  )) as [{ key: string | null }];
  await manager.query(
    `declare kept no scroll cursor for select row_to_json(t)::text as row
     from (select ${columnsOf(table)} from ${table} where workspace_id = $1 order by ${key ?? '1'}) t`,
    [workspaceId],
  );
  for (;;) {
    const rows = await manager.query<{ row: string }[]>(`fetch ${AT_ONCE} from kept`);
    if (rows.length === 0) break;
    yield rows.map(({ row }) => row);
  }
  await manager.query('close kept');
}

/** @param rows by the names of their columns; what an older archive does not know has its default */
export const putRows = (
  manager: EntityManager,
  table: string,
  rows: readonly Record<string, unknown>[],
): Promise<unknown> => {
  const columns = Object.keys(rows[0]!).map(quoted).join(', ');
  return manager.query(
    `insert into ${quoted(table)} (${columns}) select ${columns} from jsonb_populate_recordset(null::${quoted(table)}, $1::jsonb)`,
    [JSON.stringify(rows)],
  );
};

export const putPicture = (
  manager: EntityManager,
  { id, workspaceId, type, bytes }: { id: string; workspaceId: string; type: string; bytes: Buffer },
): Promise<unknown> =>
  manager.query('insert into stored_file (id, workspace_id, type, bytes) values ($1, $2, $3, $4)', [
    id,
    workspaceId,
    type,
    bytes,
  ]);

const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`;

/** Columns of the tables as they are here, with their types. */
export async function columnTypes(manager: EntityManager, table: string): Promise<Map<string, string>> {
  const rows = await manager.query<{ name: string; type: string }[]>(
    `select column_name as name, udt_name as type from information_schema.columns
     where table_schema = 'public' and table_name = $1`,
    [table],
  );
  return new Map(rows.map(({ name, type }) => [name, type]));
}

/** A workspace in which somebody may sign in, by their e-mail address. */
export async function workspaceOfAccount(manager: EntityManager, email: string): Promise<string | undefined> {
  const [row] = await manager.query<{ id: string }[]>('select workspace_id as id from account where email = $1', [
    email,
  ]);
  return row?.id;
}

export const allWorkspaces = (manager: EntityManager): Promise<{ id: string; name: string }[]> =>
  manager.query('select id, name from workspace order by id');

/** Accounts of all workspaces that have one of these addresses. */
export const accountsWith = (
  manager: EntityManager,
  emails: readonly string[],
): Promise<{ id: string; email: string; workspace_id: string }[]> =>
  manager.query('select id, email, workspace_id from account where email = any($1::citext[])', [emails]);

/** Backups of a workspace are made one at a time, until the transaction ends. @returns false while another is being made */
export async function tryLockBackups(manager: EntityManager, workspaceId: string): Promise<boolean> {
  const [row] = await manager.query<{ locked: boolean }[]>(
    `select pg_try_advisory_xact_lock(hashtextextended('backup ' || $1, 0)) as locked`,
    [workspaceId],
  );
  return row!.locked;
}

/** Nobody else puts anything into it meanwhile. */
export const lockWorkspace = (manager: EntityManager, id: string): Promise<unknown> =>
  manager.query('select from workspace where id = $1 for update', [id]);

/** Sets a workspace to what it was. */
export const setWorkspace = (manager: EntityManager, id: string, row: Record<string, unknown>): Promise<unknown> => {
  const columns = Object.keys(row).filter((column) => column !== 'id').map(quoted).join(', '); // prettier-ignore
  return manager.query(
    `update workspace set (${columns}) = (select ${columns} from jsonb_populate_record(null::workspace, $2::jsonb)) where id = $1`,
    [id, JSON.stringify(row)],
  );
};

/**
 * What stands in one record of each is listed and counted once, when all of them are there.
 * @param work puts the records back
 */
export async function listedInTheEnd(
  manager: EntityManager,
  workspaceId: string,
  work: () => Promise<void>,
): Promise<void> {
  await manager.query(
    `select set_config('dossier.workspace', $1, true), set_config('dossier.list_later', 'on', true), set_config('dossier.feed', 'off', true)`,
    [workspaceId],
  );
  await manager.query('set constraints all deferred');
  await work();
  await manager.query(`set constraints all immediate`);
  // The database knows nothing yet of what was just put into it, and would look for each of them among all.
  await manager.query(`analyze ${KEPT_TABLES.join(', ')}`);
  await manager.query(`select set_config('dossier.list_later', 'off', true)`);
  await manager.query(
    `select list_people_now(array_agg(id)) from (
       select id, row_number() over (order by id) / 2000 as part from person where workspace_id = $1) p group by part order by part`,
    [workspaceId],
  );
  await manager.query('select count_staff()');
}

export interface WaitingJob {
  task: string;
  payload: Record<string, string>;
  key: string;
}

/** Work that was under way when the backup was made. */
export const whatWaits = (manager: EntityManager, workspaceId: string): Promise<WaitingJob[]> =>
  manager.query(
    `select 'readPhoto' as task, json_build_object('photoId', id, 'workspaceId', workspace_id) as payload, 'read:' || id as key
       from photo where workspace_id = $1 and state in ('waiting', 'reading')
     union all
     select 'changePeople', json_build_object('workspaceId', workspace_id, 'changeId', id), 'change:' || id
       from people_change where workspace_id = $1 and state in ('waiting', 'running', 'undoing')
     union all
     select 'bringIn', json_build_object('workspaceId', workspace_id, 'importId', id), 'import:' || id
       from import_file where workspace_id = $1 and state in ('running', 'undoing')`,
    [workspaceId],
  );

/** Puts it into the queue, to begin in a moment: when what it is about is there to be seen. */
export const takeUpAgain = (manager: EntityManager, jobs: readonly WaitingJob[]): Promise<unknown> =>
  manager.query(
    `select graphile_worker.add_job(task, payload := payload, job_key := key, max_attempts := 10, run_at := now() + interval '20 seconds')
     from json_to_recordset($1::json) as job(task text, payload json, key text)`,
    [JSON.stringify(jobs)],
  );
