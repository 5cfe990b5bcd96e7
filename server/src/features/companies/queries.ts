import type { DataSource, EntityManager } from 'typeorm';
import type { CardLogo } from '../reading';

/** A place behind which to go on: how well it fits, what the order is by, then the id. */
export type CompanyPlace = [rank: number, key: string, id: string];

/** Looks only at the workspace that the transaction has named, see the migration that makes it. */
export const companiesFound = (
  manager: EntityManager,
  words: readonly (readonly string[])[],
  said: string,
  by: 'name' | 'people' | 'new' | 'best',
  after: CompanyPlace | undefined,
  atMost: number,
): Promise<{ company_id: string; place: [number, string]; known_as: string | null }[]> =>
  manager.query('select * from find_companies($1, $2, $3, $4, $5)', [
    JSON.stringify(words),
    said,
    by,
    after ? JSON.stringify(after) : null,
    atMost,
  ]);

/** Counts who works at the firms of all workspaces where that may have changed; lists of firms in that order count those themselves until then. */
export async function countStaff(database: DataSource): Promise<number> {
  const [row] = await database.query<{ firms: string }[]>('select count_staff() as firms');
  return Number(row!.firms);
}

/**
 * How many work at each of these now, and where most of them do, judged by two hundred. They are counted where that may have changed since
 * it was counted last.
 */
export const companyRows = (
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
): Promise<{ id: string; name: string; people: number; town: string | null }[]> =>
  manager.query(
    `select c.id, c.name, there.town,
       coalesce(
         (select -s.rank from company_staff s where s.workspace_id = $1 and s.company_id = c.id
            and not exists (select from company_recount r where r.workspace_id = $1 and r.company_id = c.id)),
         (select count(*)::int from employment e join person p on p.workspace_id = $1 and p.id = e.person_id and p.deleted_at is null
          where e.workspace_id = $1 and e.company_id = c.id and e.ended_at is null)) as people
     from company c
     left join lateral (
       select mode() within group (order by nullif(near.locality, '')) as town from (
         select p.locality from employment e join person p on p.workspace_id = $1 and p.id = e.person_id and p.deleted_at is null
         where e.workspace_id = $1 and e.company_id = c.id and e.ended_at is null limit 200) near) there on true
     where c.workspace_id = $1 and c.id = any($2::uuid[])`,
    [workspaceId, ids],
  );

/** The firm and those that became it. */
export async function familyOf(manager: EntityManager, workspaceId: string, id: string): Promise<string[]> {
  const rows = await manager.query<{ id: string }[]>(
    `with recursive family(id) as (
       select $2::uuid union all select c.id from family join company c on c.workspace_id = $1 and c.merged_into = family.id)
     select id from family`,
    [workspaceId, id],
  );
  return rows.map((row) => row.id);
}

/** Names by which a firm is known beside its own, each once. */
export async function spellingsOf(
  manager: EntityManager,
  workspaceId: string,
  family: readonly string[],
): Promise<string[]> {
  const rows = await manager.query<{ name: string }[]>(
    `select distinct name from (
       select name from company_name where workspace_id = $1 and company_id = any($2::uuid[])
       union all select name from company where workspace_id = $1 and id = any($2::uuid[]) and merged_into is not null) n
     order by name`,
    [workspaceId, family],
  );
  return rows.map((row) => row.name);
}

export interface StaffRow {
  id: string;
  full_name: string;
  title: string;
  card_id: string | null;
  ended_at: Date | null;
  total: number;
}

/** Who works or worked at a firm, by name; whoever came back is no former one. */
export const staffOf = (
  manager: EntityManager,
  workspaceId: string,
  id: string,
  when: 'present' | 'former',
  atMost: number,
): Promise<StaffRow[]> =>
  manager.query(
    `select p.id, p.full_name, e.title, e.ended_at, count(*) over ()::int as total,
       (select k.id from card k where k.workspace_id = $1 and k.person_id = p.id and k.file_id is not null
        order by k.taken_at desc limit 1) as card_id
     from (select distinct on (person_id) * from employment
           where workspace_id = $1 and company_id = $2 order by person_id, ended_at desc nulls first) e
     join person p on p.workspace_id = $1 and p.id = e.person_id and p.deleted_at is null
     where (e.ended_at is null) = $3 order by p.sort_name, p.id limit $4`,
    [workspaceId, id, when === 'present', atMost],
  );

/** Locks people who work at some firms now, in the order in which people are locked. @param among these; everybody without */
export async function lockStaff(
  manager: EntityManager,
  workspaceId: string,
  companyIds: readonly string[],
  among: readonly string[] | null = null,
): Promise<string[]> {
  const rows = await manager.query<{ id: string }[]>(
    `select p.id from person p where p.workspace_id = $1 and ($3::uuid[] is null or p.id = any($3::uuid[]))
       and exists (select from employment e where e.workspace_id = $1 and e.person_id = p.id and e.company_id = any($2::uuid[]) and e.ended_at is null)
     order by p.id for no key update`,
    [workspaceId, companyIds, among],
  );
  return rows.map((row) => row.id);
}

/** Jobs of one firm become jobs of another one. @param of of these people, or these jobs; else all @returns which, and whose are present ones */
export async function moveJobs(
  manager: EntityManager,
  workspaceId: string,
  from: string,
  to: string,
  of: { present?: readonly string[]; jobs?: readonly string[] } = {},
): Promise<{ id: string; personId: string; isPresent: boolean }[]> {
  const [rows] = await manager.query<[{ id: string; person_id: string; present: boolean }[], number]>(
    `update employment set company_id = $3 where workspace_id = $1 and company_id = $2
       and ($4::uuid[] is null or (person_id = any($4::uuid[]) and ended_at is null)) and ($5::uuid[] is null or id = any($5::uuid[]))
     returning id, person_id, ended_at is null as present`,
    [workspaceId, from, to, of.present ?? null, of.jobs ?? null],
  );
  return rows.map((row) => ({ id: row.id, personId: row.person_id, isPresent: row.present }));
}

/** Cards with a picture of those who work at a firm now, filed since they do, the latest first. */
export const cardsOfStaff = (
  manager: EntityManager,
  workspaceId: string,
  companyId: string,
  atMost: number,
): Promise<{ id: string; file_id: string; reading_id: string; width: number; logo: CardLogo | null }[]> =>
  manager.query(
    `select k.id, k.file_id, k.reading_id, (k.reading->>'width')::float as width, k.logo from employment e
     join person p on p.workspace_id = $1 and p.id = e.person_id and p.deleted_at is null
     join card k on k.workspace_id = $1 and k.person_id = p.id and k.file_id is not null
     where e.workspace_id = $1 and e.company_id = $2 and e.ended_at is null and k.filed_at >= e.started_at - interval '1 minute'
     order by k.taken_at desc, k.id limit $3`,
    [workspaceId, companyId, atMost],
  );

/** Of each firm: those that became it with itself, its other names, up to so many who work there now, and what was noted of it, the latest first. */
export const firmsInFull = (
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
  atMost: { people: number; notes: number },
): Promise<{ id: string; members: string[]; names: string[]; staff: string[]; notes: string[] }[]> =>
  manager.query(
    `with recursive family(root, id) as (
       select asked, asked from unnest($2::uuid[]) asked
       union all select f.root, c.id from family f join company c on c.workspace_id = $1 and c.merged_into = f.id),
     firm as (select root as id, array_agg(id) as members from family group by root)
     select f.id, f.members,
       array(select distinct n.name from (
           select name from company_name where workspace_id = $1 and company_id = any(f.members)
           union all select name from company where workspace_id = $1 and id = any(f.members) and merged_into is not null) n
         where n.name <> own.name order by n.name) as names,
       array(select e.person_id from employment e join person p on p.workspace_id = $1 and p.id = e.person_id and p.deleted_at is null
         where e.workspace_id = $1 and e.company_id = f.id and e.ended_at is null order by e.person_id limit $3) as staff,
       array(select n.text from company_note n where n.workspace_id = $1 and n.company_id = any(f.members) order by n.at desc, n.id desc limit $4) as notes
     from firm f join company own on own.workspace_id = $1 and own.id = f.id`,
    [workspaceId, ids, atMost.people, atMost.notes],
  );
