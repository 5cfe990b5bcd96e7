import type { Limits, Link } from '@dossier/core/matching/people';
import type { EntityManager } from 'typeorm';
import type { DuplicateRow } from './entities';

/** With so many people a key says nothing; others do. */
const LARGEST_BLOCK = 60;
/** So many are compared at most, those with most keys in common first. */
const MOST_COMPARED = 40;
const MOST_LIKE_NAMED = 20;

/** What else is known where a card's fields are compared. */
export interface Circumstances {
  country: string;
  limits: Limits;
  occasions: string[];
  /** People and cards it was said not to be of. */
  apartFrom: string[];
}

export async function circumstancesOf(
  manager: EntityManager,
  workspaceId: string,
  cardId: string | null,
): Promise<Circumstances> {
  const [row] = await manager.query<(Omit<Circumstances, 'limits'> & Limits)[]>(
    `select country, same_from as same, perhaps_from as perhaps,
       array(select occasion_id from card where workspace_id = $1 and id = $2 and occasion_id is not null) as occasions,
       array(select case one_id when $2 then other_id else one_id end from not_same
             where workspace_id = $1 and (one_id = $2 or other_id = $2)) as "apartFrom"
     from workspace where id = $1`,
    [workspaceId, cardId],
  );
  const { same, perhaps, ...rest } = row!;
  return { ...rest, limits: { same, perhaps } };
}

/** For each of several lists of keys the ids of those with one of these keys, who share the most first. */
export async function peopleWithKeys(
  manager: EntityManager,
  workspaceId: string,
  keys: readonly (readonly string[])[],
  apartFrom: readonly string[],
): Promise<string[][]> {
  const asked = keys.flatMap((own, list) => own.map((key) => [list, key] as const));
  if (asked.length === 0) return keys.map(() => []);
  const rows = await manager.query<{ list: number; person_id: string }[]>(
    `select list, person_id from (
       select found.list, found.person_id, row_number() over (partition by found.list
         order by bool_or(left(found.key, 1) in ('e', 'p')) desc, count(*) desc, found.person_id) as place
       from unnest($2::int[], $3::text[]) as asked(list, key)
         cross join lateral (
           select asked.list, person_id, asked.key from match_key
           where workspace_id = $1 and match_key.key = asked.key limit ${LARGEST_BLOCK}) found
         join person on person.workspace_id = $1 and person.id = found.person_id and person.deleted_at is null
       where not found.person_id = any($4::uuid[])
       group by found.list, found.person_id) ranked
     where place <= ${MOST_COMPARED} order by list, place`,
    [workspaceId, asked.map(([list]) => list), asked.map(([, key]) => key), apartFrom],
  );
  return byList(keys.length, rows.map(({ list, person_id: id }) => ({ list, id }))); // prettier-ignore
}

/** For each name the ids of those whose name has much the same letters; the workspace is the one of the transaction, see the function. */
export async function peopleNamedLike(
  manager: EntityManager,
  names: readonly string[],
  apartFrom: readonly string[],
): Promise<string[][]> {
  if (names.length === 0) return [];
  const rows = await manager.query<{ list: number; id: string }[]>(
    `select (asked.place - 1)::int as list, found.id from unnest($1::text[]) with ordinality asked(name, place)
       cross join lateral people_named_like(asked.name, $2::uuid[], ${MOST_LIKE_NAMED}) with ordinality found(id, place)
     order by asked.place, found.place`,
    [names, apartFrom],
  );
  return byList(names.length, rows);
}

function byList(count: number, rows: readonly { list: number; id: string }[]): string[][] {
  const lists = Array.from({ length: count }, (): string[] => []);
  for (const { list, id } of rows) lists[list]!.push(id);
  return lists;
}

export async function countPeople(manager: EntityManager, workspaceId: string): Promise<number> {
  const [row] = await manager.query<{ people: number }[]>(
    'select count(*)::int as people from person where workspace_id = $1',
    [workspaceId],
  );
  return row!.people;
}

/** How many families have each e-mail address or number. @param keys of contact points */
export async function familiesByKey(
  manager: EntityManager,
  workspaceId: string,
  keys: readonly string[],
): Promise<Map<string, number>> {
  const rows = await manager.query<{ key: string; families: number }[]>(
    `select point.key, count(distinct lower(person.family_name))::int as families
     from contact_point point
       join person on person.workspace_id = $1 and person.id = point.person_id and person.deleted_at is null
     where point.workspace_id = $1 and point.kind in ('email', 'phone') and point.key = any($2) group by point.key`,
    [workspaceId, keys],
  );
  return new Map(rows.map(({ key, families }) => [key, families]));
}

/** How many people have each match key. */
export async function peopleByKey(
  manager: EntityManager,
  workspaceId: string,
  keys: readonly string[],
): Promise<Map<string, number>> {
  const rows = await manager.query<{ key: string; people: number }[]>(
    'select key, count(*)::int as people from match_key where workspace_id = $1 and key = any($2) group by key',
    [workspaceId, keys],
  );
  return new Map(rows.map(({ key, people }) => [key, people]));
}

/** Searches of one workspace begin one after the other. */
export const lockSweeps = (manager: EntityManager, workspaceId: string): Promise<unknown> =>
  manager.query(`select pg_advisory_xact_lock(hashtextextended($1, 1))`, [workspaceId]);

/** Whether the queue, which is everybody's, still has that job: waiting, tried or to be tried again. */
export async function isInQueue(manager: EntityManager, jobKey: string): Promise<boolean> {
  const rows = await manager.query<unknown[]>(
    'select from graphile_worker.jobs where key = $1 and (attempts < max_attempts or locked_at is not null)',
    [jobKey],
  );
  return rows.length > 0;
}

const MOST_PAIRS = 20_000;

export type DuplicateLink = Link<string> & Pick<DuplicateRow, 'band' | 'newJob'>;

/** Pairs of people who are still there, the likeliest first. */
export const duplicateLinks = (manager: EntityManager, workspaceId: string): Promise<DuplicateLink[]> =>
  manager.query(
    `select d.one_id as a, d.other_id as b, d.likelihood, d.band, d.new_job as "newJob"
     from duplicate d
       join person one on one.workspace_id = $1 and one.id = d.one_id and one.deleted_at is null
       join person other on other.workspace_id = $1 and other.id = d.other_id and other.deleted_at is null
     where d.workspace_id = $1
     order by d.likelihood desc, d.one_id, d.other_id limit ${MOST_PAIRS}`,
    [workspaceId],
  );

/** Keeps pairs of people, but for those who were merged or erased meanwhile. @param rows by the names of the columns */
export const addDuplicates = (manager: EntityManager, workspaceId: string, rows: readonly object[]): Promise<unknown> =>
  manager.query(
    `insert into duplicate (workspace_id, one_id, other_id, likelihood, band, new_job, evidence)
     select $1, d.one_id, d.other_id, d.likelihood, d.band, d.new_job, d.evidence
     from jsonb_to_recordset($2::jsonb) as d(one_id uuid, other_id uuid, likelihood real, band text, new_job boolean, evidence jsonb)
       join person one on one.workspace_id = $1 and one.id = d.one_id
       join person other on other.workspace_id = $1 and other.id = d.other_id`,
    [workspaceId, JSON.stringify(rows)],
  );

/** Whether anybody was filed or changed since the latest search. */
export async function haveChangedSinceSweep(manager: EntityManager, workspaceId: string): Promise<boolean> {
  const [row] = await manager.query<{ changed: boolean }[]>(
    `select coalesce(max(updated_at) > coalesce((select at from match_model where workspace_id = $1), '-infinity'), false) as changed
     from person where workspace_id = $1`,
    [workspaceId],
  );
  return row!.changed;
}
