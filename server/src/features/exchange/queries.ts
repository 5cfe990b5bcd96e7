import type { Repeats } from '@dossier/core/exchange/files';
import type { DataSource, EntityManager } from 'typeorm';

/** Opens a link for somebody who is in no workspace, and counts it. @returns undefined for one that opens nothing (any more) */
export async function openShare(
  database: DataSource,
  tokenHash: Buffer,
): Promise<{ id: string; workspaceId: string; personId: string } | undefined> {
  const [row] = await database.query<{ id: string; workspace_id: string; person_id: string }[]>(
    'select * from open_share($1)',
    [tokenHash],
  );
  return row && { id: row.id, workspaceId: row.workspace_id, personId: row.person_id };
}

/** Keeps for this transaction whom is meant, in an order: however many they are, they need not be held in memory. */
export const beginChosen = (manager: EntityManager): Promise<unknown> =>
  manager.query('create temporary table chosen (place bigserial primary key, person_id uuid not null) on commit drop');

/** Everybody of a list; looks only at the workspace that the transaction has named. */
export const chooseListed = (
  manager: EntityManager,
  { spec, by, backwards }: { spec: unknown; by: string; backwards: boolean },
  except: readonly string[],
): Promise<unknown> =>
  manager.query(
    `insert into chosen (person_id) select person_id from list_people($1, $2, $3, null, 100000000)
     where person_id <> all($4::uuid[])`,
    [JSON.stringify(spec), by, backwards, except],
  );

/** These people, by name; whoever is deleted is left out. */
export const chooseByName = (manager: EntityManager, workspaceId: string, ids: readonly string[]): Promise<unknown> =>
  manager.query(
    `insert into chosen (person_id) select id from person
     where workspace_id = $1 and id = any($2::uuid[]) and deleted_at is null order by sort_name, id`,
    [workspaceId, ids],
  );

export async function countChosen(manager: EntityManager): Promise<number> {
  const [row] = await manager.query<{ people: number }[]>('select count(*)::int as people from chosen');
  return row!.people;
}

/** The next of those who are meant. @param place of the last ones, zero in the beginning */
export const nextChosen = (
  manager: EntityManager,
  place: string,
  atMost: number,
): Promise<{ place: string; person_id: string }[]> =>
  manager.query('select place, person_id from chosen where place > $1 order by place limit $2', [place, atMost]);

/** How many columns their addresses and numbers need. */
export async function repeatsOfChosen(manager: EntityManager, workspaceId: string): Promise<Repeats> {
  const [row] = await manager.query<Repeats[]>(
    `with points as (
       select kind, count(*)::int as count from contact_point t join chosen using (person_id)
       where t.workspace_id = $1 group by t.person_id, kind),
     further as (
       select jsonb_array_length(p.more) as count, jsonb_path_exists(p.more, '$[*].address') as address
       from person p join chosen c on c.person_id = p.id where p.workspace_id = $1 and p.more <> '[]')
     select greatest(1, (select max(count) from points where kind = 'email')) as emails,
       greatest(1, (select max(count) from points where kind = 'phone')) as phones,
       greatest(1, (select max(count) from points where kind = 'website')) as websites,
       coalesce((select max(count) from further), 0) as more,
       coalesce((select bool_or(address) from further), false) as "moreAddresses"`,
    [workspaceId],
  );
  return row!;
}

/** What stands beside the fields of people. */
export const besideFields = (
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
): Promise<
  { id: string; occasions: string[]; notes: { text: string; author: string; at: string }[]; touched_at: Date; next_on: string | null }[] // prettier-ignore
> =>
  manager.query(
    `select l.person_id as id, l.touched_at, nullif(l.next_on, 'infinity')::text as next_on,
       array(select distinct o.name from card k join occasion o on o.workspace_id = $1 and o.id = k.occasion_id
             where k.workspace_id = $1 and k.person_id = l.person_id order by o.name) as occasions,
       coalesce((select jsonb_agg(jsonb_build_object('text', n.text, 'author', a.name, 'at', n.at) order by n.at desc, n.id)
                 from note n join account a on a.workspace_id = $1 and a.id = n.author_id
                 where n.workspace_id = $1 and n.person_id = l.person_id), '[]') as notes
     from person_listing l where l.workspace_id = $1 and l.person_id = any($2::uuid[])`,
    [workspaceId, ids],
  );

export interface CardRow {
  id: string;
  person_id: string;
  front_id: string | null;
  file_id: string | null;
  taken_at: Date;
  occasion: string | null;
  reading: unknown;
}

/** The cards of people, the latest first, each front before its back. @param withReading what was read on them is large */
export const cardsOfPeople = (
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
  withReading: boolean,
): Promise<CardRow[]> =>
  manager.query(
    `select k.id, coalesce(k.person_id, f.person_id) as person_id, k.front_card_id as front_id, k.file_id, k.taken_at, o.name as occasion,
       case when $3 then k.reading end as reading
     from card k
     left join card f on f.workspace_id = $1 and f.id = k.front_card_id
     left join occasion o on o.workspace_id = $1 and o.id = k.occasion_id
     where k.workspace_id = $1 and (k.person_id = any($2::uuid[]) or f.person_id = any($2::uuid[]))
     order by coalesce(f.taken_at, k.taken_at) desc, coalesce(f.id, k.id), k.front_card_id nulls first`,
    [workspaceId, ids, withReading],
  );
