import type { EntityManager } from 'typeorm';
import type { PartRow, Row } from './mergeSnapshot';

/** Whether somebody has two jobs at once, or has left the one they have now at this very moment. */
export async function jobsContradict(manager: EntityManager, workspaceId: string, personId: string): Promise<boolean> {
  const [row] = await manager.query<{ wrong: boolean }[]>(
    `select count(*) filter (where ended_at is null) > 1
         or count(*) > count(distinct (company_id, title, department, started_at, ended_at)) as wrong
     from employment where workspace_id = $1 and person_id = $2`,
    [workspaceId, personId],
  );
  return row!.wrong;
}

type KeptTable = 'person' | 'employment' | 'contact_point';

/** Rows of people as they are, whatever their columns. */
export async function wholeRows(
  manager: EntityManager,
  workspaceId: string,
  table: KeptTable,
  personIds: readonly string[],
): Promise<Row[]> {
  const rows = await manager.query<{ row: Row }[]>(
    `select to_jsonb(t) as row from ${table} t where workspace_id = $1 and ${table === 'person' ? 'id' : 'person_id'} = any($2)`,
    [workspaceId, personIds],
  );
  return rows.map(({ row }) => row);
}

type MovedTable =
  | 'note'
  | 'card'
  | 'consent'
  | 'task'
  | 'share'
  | 'message'
  | 'booking'
  | 'enrolment'
  | 'attachment'
  | 'filing_receipt';
const keyOf = (table: MovedTable): string => (table === 'filing_receipt' ? 'key' : 'id');

/** Whose what is: pairs of key and person. */
export async function ownersOf(
  manager: EntityManager,
  workspaceId: string,
  table: MovedTable,
  personIds: readonly string[],
): Promise<[key: string, personId: string][]> {
  const rows = await manager.query<{ key: string; person_id: string }[]>(
    `select ${keyOf(table)} as key, person_id from ${table} where workspace_id = $1 and person_id = any($2)`,
    [workspaceId, personIds],
  );
  return rows.map((row) => [row.key, row.person_id]);
}

/** Puts whole rows back as they were, also over what is there. */
export async function putRowsBack(
  manager: EntityManager,
  workspaceId: string,
  table: KeptTable,
  rows: readonly Row[],
): Promise<void> {
  if (rows.length === 0) return;
  const columns = Object.keys(rows[0]!).filter((column) => column !== 'id');
  await manager.query(
    `insert into ${table} select * from jsonb_populate_recordset(null::${table}, $2::jsonb) where workspace_id = $1
     on conflict (id) do update set ${columns.map((column) => `${column} = excluded.${column}`).join(', ')}`,
    [workspaceId, JSON.stringify(rows)],
  );
}

/** Of people who become one, nobody is in a plan twice: that of the one who stays goes on, else the one begun first. */
export const endSecondCourses = (
  manager: EntityManager,
  workspaceId: string,
  intoId: string,
  otherIds: readonly string[],
  at: Date,
): Promise<unknown> =>
  manager.query(
    `update enrolment e set status = 'ended', ending = 'merged', next_step = null, due_at = null, held = null, held_at = null, ended_at = $4
     from (select id, row_number() over (partition by plan_id order by person_id <> $2, started_at, id) as place from enrolment
       where workspace_id = $1 and status <> 'ended' and (person_id = $2 or person_id = any($3::uuid[]))) ranked
     where e.workspace_id = $1 and e.id = ranked.id and ranked.place > 1`,
    [workspaceId, intoId, otherIds, at],
  );

/** Gives what other rooms keep about some people to another. */
export const moveRows = (
  manager: EntityManager,
  workspaceId: string,
  table: 'task' | 'share' | 'message' | 'booking' | 'enrolment' | 'attachment',
  fromIds: readonly string[],
  toId: string,
): Promise<unknown> =>
  manager.query(`update ${table} set person_id = $3 where workspace_id = $1 and person_id = any($2)`, [
    workspaceId,
    fromIds,
    toId,
  ]);

/**
 * Where records of some people are in other systems: they are those of another person from now on, one in each system; a record that this
 * one has already stays theirs.
 * @returns whose records moved, by system
 */
export const moveHanded = (
  manager: EntityManager,
  workspaceId: string,
  fromIds: readonly string[],
  toId: string,
): Promise<{ destination_id: string; subject_id: string }[]> =>
  manager.query(
    `with latest as (
       select distinct on (destination_id) destination_id, subject_id from handed_record h
       where workspace_id = $1 and subject = 'person' and subject_id = any($2::uuid[])
         and not exists (select from handed_record o where o.workspace_id = $1 and o.destination_id = h.destination_id
           and o.subject = 'person' and o.subject_id = $3)
       order by destination_id, sent_at desc),
     moved as (
       update handed_record h set subject_id = $3, person_id = $3 from latest l
       where h.workspace_id = $1 and h.destination_id = l.destination_id and h.subject = 'person' and h.subject_id = l.subject_id)
     select destination_id, subject_id from latest`,
    [workspaceId, fromIds, toId],
  );

/** Gives records in other systems back to those whose they were. @see moveHanded */
export const moveHandedBack = (
  manager: EntityManager,
  workspaceId: string,
  owners: readonly (readonly [destinationId: string, personId: string])[],
  fromId: string,
): Promise<unknown> =>
  manager.query(
    `update handed_record h set subject_id = o.person_id, person_id = o.person_id
     from unnest($2::uuid[], $3::uuid[]) o(destination_id, person_id)
     where h.workspace_id = $1 and h.destination_id = o.destination_id and h.subject = 'person' and h.subject_id = $4`,
    [workspaceId, owners.map(([destination]) => destination), owners.map(([, person]) => person), fromId],
  );

/** Which part people have in which pieces of business. */
export const partsOf = (
  manager: EntityManager,
  workspaceId: string,
  personIds: readonly string[],
): Promise<PartRow[]> =>
  manager.query(
    `select opportunity_id, person_id, part from opportunity_person where workspace_id = $1 and person_id = any($2::uuid[])`,
    [workspaceId, personIds],
  );

/** The parts of some people are those of another; where this one has a part already, that stays. */
export async function joinParts(
  manager: EntityManager,
  workspaceId: string,
  fromIds: readonly string[],
  toId: string,
): Promise<void> {
  await manager.query(
    `insert into opportunity_person (opportunity_id, person_id, workspace_id, part)
     select distinct on (opportunity_id) opportunity_id, $3::uuid, $1, part from opportunity_person
     where workspace_id = $1 and person_id = any($2::uuid[]) order by opportunity_id, person_id on conflict do nothing`,
    [workspaceId, fromIds, toId],
  );
  await manager.query('delete from opportunity_person where workspace_id = $1 and person_id = any($2::uuid[])', [
    workspaceId,
    fromIds,
  ]);
}

/** Everybody has the parts that they had, in what is still there; what came since stays. @param personIds who were one */
export async function partAgain(
  manager: EntityManager,
  workspaceId: string,
  parts: readonly PartRow[],
  personIds: readonly string[],
): Promise<void> {
  const there = [workspaceId, [...new Set(parts.map(({ opportunity_id: id }) => id))], personIds];
  await manager.query(`delete from opportunity_person where workspace_id = $1 and opportunity_id = any($2::uuid[]) and person_id = any($3::uuid[])`, there); // prettier-ignore
  await manager.query(
    `insert into opportunity_person (opportunity_id, person_id, workspace_id, part)
     select o.id, r.person_id, $1, r.part from jsonb_to_recordset($2::jsonb) r(opportunity_id uuid, person_id uuid, part text)
     join opportunity o on o.workspace_id = $1 and o.id = r.opportunity_id on conflict do nothing`,
    [workspaceId, JSON.stringify(parts)],
  );
}

/** What hangs on people is theirs in other systems too. */
export const handedFollow = (manager: EntityManager, workspaceId: string, ids: readonly string[]): Promise<unknown> =>
  manager.query(
    `update handed_record h set person_id = s.person_id from (
       select id, person_id from note where workspace_id = $1 and person_id = any($2::uuid[])
       union all select id, person_id from task where workspace_id = $1 and person_id = any($2::uuid[])
       union all select k.id, coalesce(k.person_id, f.person_id) from card k left join card f on f.workspace_id = $1 and f.id = k.front_card_id
         where k.workspace_id = $1 and coalesce(k.person_id, f.person_id) = any($2::uuid[])
       union all select opportunity_id, person_id from opportunity_person where workspace_id = $1 and person_id = any($2::uuid[])) s
     where h.workspace_id = $1 and h.subject <> 'person' and h.subject_id = s.id and h.person_id <> s.person_id
       and (h.subject <> 'opportunity' or not exists (select from opportunity_person r
         where r.workspace_id = $1 and r.opportunity_id = h.subject_id and r.person_id = h.person_id))`,
    [workspaceId, ids],
  );

/** Gives what one person has to those whose it was. @param owners pairs of key and person */
export const moveBack = (
  manager: EntityManager,
  workspaceId: string,
  table: MovedTable,
  owners: readonly (readonly [key: string, personId: string])[],
  fromId: string,
): Promise<unknown> =>
  manager.query(
    `update ${table} set person_id = moved.person_id
     from unnest($2::text[], $3::uuid[]) as moved(key, person_id)
     where ${table}.workspace_id = $1 and ${table}.${keyOf(table)}::text = moved.key and ${table}.person_id = $4`,
    [workspaceId, owners.map(([key]) => key), owners.map(([, personId]) => personId), fromId],
  );

/** Jobs at firms that have become other ones are at those. */
export const atPresentFirms = (
  manager: EntityManager,
  workspaceId: string,
  personIds: readonly string[],
): Promise<unknown> =>
  manager.query(
    `update employment e set company_id = company_now(e.company_id) from company c
     where e.workspace_id = $1 and e.person_id = any($2::uuid[]) and c.id = e.company_id and c.merged_into is not null`,
    [workspaceId, personIds],
  );
