import type { Counted, Facet } from '@dossier/contract';
import type { DataSource, EntityManager } from 'typeorm';
import type { ListSpec, ListColumn } from './spec';

/** The functions asked here look only at the workspace that the transaction has named, see the migration that makes them. */
export const countListed = async (
  manager: EntityManager,
  spec: ListSpec,
  exactly: number,
): Promise<{ people: number; counted: Counted }> => {
  const [row] = await manager.query<{ people: string; counted: Counted }[]>('select * from count_listed($1, $2)', [
    JSON.stringify(spec),
    exactly,
  ]);
  return { people: Number(row!.people), counted: row!.counted };
};

/** A place behind which to go on: what the list is ordered by, then the id. */
export type ListPlace = (string | number)[];

/** So many who fit words are looked at for who fits them best. */
export const MOST_FOUND = 3_000;

/** @returns `among` how many were found, of whom at most `MOST_FOUND` are looked at; told where who fits best comes first, and where few fit */
export const listPeople = (
  manager: EntityManager,
  spec: ListSpec,
  { by, backwards }: { by: ListColumn | 'best'; backwards: boolean },
  after: ListPlace | undefined,
  atMost: number,
): Promise<{ person_id: string; place: ListPlace; among: string | null }[]> =>
  manager.query('select * from list_people($1, $2, $3, $4, $5)', [
    JSON.stringify(spec),
    by,
    backwards,
    after ? JSON.stringify(after) : null,
    atMost,
  ]);

export interface MarkRow {
  facet: Facet;
  value: string;
  people: string;
  counted: Counted;
}

export const countMarks = (
  manager: EntityManager,
  spec: ListSpec,
  facets: readonly Facet[],
  atMost: number,
): Promise<MarkRow[]> => manager.query('select * from count_marks($1, $2, $3)', [JSON.stringify(spec), facets, atMost]);

/** Writes several tables of the same people, who are listed anew once for all of it. @param work writes nobody else's records */
export async function listedOnce(
  manager: EntityManager,
  personIds: readonly string[],
  work: () => Promise<unknown>,
): Promise<void> {
  await manager.query(`select set_config('dossier.list_later', 'on', true)`);
  await work();
  await manager.query(`select set_config('dossier.list_later', 'off', true), list_people_now($1)`, [personIds]);
}

/** Words that lists have, by the word that was asked for. */
export async function wordsLike(manager: EntityManager, words: readonly string[]): Promise<Map<string, string[]>> {
  const rows = await manager.query<{ asked: string; words: string[] }[]>(
    `select asked, array(select word from words_like(asked) word) as words from unnest($1::text[]) asked`,
    [words],
  );
  return new Map(rows.map((row) => [row.asked, row.words]));
}

/** A person as a list shows it, without what it was found by. */
export interface ListedRow {
  id: string;
  version: number;
  kind: 'contact' | 'lead';
  full_name: string;
  given_name: string;
  family_name: string;
  street: string;
  postal_code: string;
  region: string;
  title: string | null;
  department: string | null;
  company: string | null;
  company_id: string | null;
  email: string | null;
  phone: string | null;
  phone_extension: string | null;
  locality: string;
  country: string;
  rating: string | null;
  owner_id: string;
  tags: string[];
  occasion_ids: string[];
  card_id: string | null;
  created_at: Date;
  touched_at: Date;
  next_on: string | null;
}

export const listedRows = (manager: EntityManager, workspaceId: string, ids: readonly string[]): Promise<ListedRow[]> =>
  manager.query(
    `select p.id, p.version, p.kind, p.full_name, p.given_name, p.family_name, p.street, p.postal_code, p.region,
       job.title, job.department, job.company, job.company_id, mail.value as email,
       phone.value as phone, phone.extension as phone_extension, p.locality, p.country, p.rating, p.owner_id, p.tags,
       array(select distinct k.occasion_id from card k
             where k.workspace_id = $1 and k.person_id = p.id and k.occasion_id is not null) as occasion_ids,
       (select k.id from card k where k.workspace_id = $1 and k.person_id = p.id and k.file_id is not null
        order by k.taken_at desc limit 1) as card_id,
       p.created_at, l.touched_at, nullif(l.next_on, 'infinity')::text as next_on
     from person p
     join person_listing l on l.workspace_id = $1 and l.person_id = p.id
     left join lateral (select e.title, e.department, c.name as company, e.company_id from employment e
       left join company c on c.workspace_id = $1 and c.id = e.company_id
       where e.workspace_id = $1 and e.person_id = p.id and e.ended_at is null limit 1) job on true
     left join lateral (select value from contact_point t
       where t.workspace_id = $1 and t.person_id = p.id and kind = 'email' order by position limit 1) mail on true
     left join lateral (select value, extension from contact_point t
       where t.workspace_id = $1 and t.person_id = p.id and kind = 'phone' order by phone_kind = 'fax', position limit 1) phone on true
     where p.workspace_id = $1 and p.id = any($2::uuid[])`,
    [workspaceId, ids],
  );

/** All texts of people in which something may be found, the likeliest first. */
export const toldTexts = (
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
): Promise<{ person_id: string; field: string; text: string }[]> =>
  manager.query(
    `select person_id, field, text from (
       select t.person_id, case t.kind when 'email' then 'emails' when 'phone' then 'phones' else 'websites' end as field,
         concat_ws(' ', t.value, nullif(t.extension, '')) as text, 3 as place, lpad(t.position::text, 6, '0') as within
       from contact_point t where t.workspace_id = $1 and t.person_id = any($2::uuid[])
       union all
       select p.id, told.field, told.text, told.place, '' from person p,
         lateral (values ('locality', p.locality, 4), ('region', p.region, 5), ('prefix', p.prefix, 6), ('suffix', p.suffix, 6)) told(field, text, place)
       where p.workspace_id = $1 and p.id = any($2::uuid[]) and told.text <> ''
       union all
       select e.person_id, 'department', e.department, 4, '' from employment e
       where e.workspace_id = $1 and e.person_id = any($2::uuid[]) and e.ended_at is null and e.department <> ''
       union all
       select p.id, 'tags', tag, 7, tag from person p, unnest(p.tags) tag where p.workspace_id = $1 and p.id = any($2::uuid[])
       union all
       select distinct k.person_id, 'occasion', o.name, 8, o.name from card k join occasion o on o.workspace_id = $1 and o.id = k.occasion_id
       where k.workspace_id = $1 and k.person_id = any($2::uuid[])
       union all
       select n.person_id, 'note', n.text, 9, n.at::text from note n where n.workspace_id = $1 and n.person_id = any($2::uuid[])
     ) texts order by person_id, place, within`,
    [workspaceId, ids],
  );

export const namesOf = (
  manager: EntityManager,
  workspaceId: string,
  table: 'account' | 'occasion' | 'company' | 'plan',
  ids: readonly string[],
): Promise<{ id: string; name: string }[]> =>
  manager.query(`select id, name from ${table} where workspace_id = $1 and id = any($2::uuid[])`, [workspaceId, ids]);

/** Takes words out of the lists' words that nobody has any more. @param among these; all there are without @returns how many */
export async function forgetUnusedWords(
  manager: EntityManager | DataSource,
  among: readonly string[] | null = null,
): Promise<number> {
  const [row] = await manager.query<{ forgotten: string }[]>('select forget_unused_words($1) as forgotten', [among]);
  return Number(row!.forgotten);
}
