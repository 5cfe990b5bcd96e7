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

/** All else that is kept about a person, each as the tables have it, colleagues by their names. */
export async function recordOfPerson(
  manager: EntityManager,
  workspaceId: string,
  id: string,
): Promise<Record<string, unknown[]>> {
  const [row] = await manager.query<{ record: Record<string, unknown[]> }[]>(
    `select jsonb_build_object(
       'jobs', coalesce((select jsonb_agg(jsonb_build_object('company', c.name, 'title', e.title, 'department', e.department,
           'startedAt', e.started_at, 'endedAt', e.ended_at) order by e.ended_at desc nulls first, e.started_at desc)
         from employment e left join company c on c.workspace_id = $1 and c.id = e.company_id
         where e.workspace_id = $1 and e.person_id = $2), '[]'),
       'tasks', coalesce((select jsonb_agg(jsonb_build_object('text', t.text, 'dueOn', t.due_on, 'madeAt', t.made_at,
           'doneAt', t.done_at, 'by', a.name) order by t.made_at desc)
         from task t join account a on a.id = t.made_by where t.workspace_id = $1 and t.person_id = $2), '[]'),
       'permissions', coalesce((select jsonb_agg(jsonb_build_object('channels', n.channels, 'scope', n.scope, 'wording', n.wording,
           'how', n.how, 'givenAt', n.given_at, 'withdrawnAt', n.withdrawn_at, 'by', a.name) order by n.given_at desc)
         from consent n left join account a on a.workspace_id = $1 and a.id = n.by
         where n.workspace_id = $1 and n.person_id = $2), '[]'),
       'changes', coalesce((select jsonb_agg(jsonb_build_object('at', l.at, 'by', a.name, 'action', l.action, 'changes', l.changes)
           order by l.at desc, l.id desc)
         from change_log l left join account a on a.workspace_id = $1 and a.id = l.actor_id where l.workspace_id = $1 and l.person_id = $2), '[]'),
       'messages', coalesce((select jsonb_agg(jsonb_build_object('at', m.at, 'direction', m.direction, 'channel', m.channel, 'state', m.state, 'from', m.sender,
           'to', m.recipient, 'subject', m.subject, 'text', m.body) order by m.at desc, m.id desc)
         from message m where m.workspace_id = $1 and m.person_id = $2), '[]'),
       'business', coalesce((select jsonb_agg(jsonb_build_object('title', o.title, 'part', r.part, 'company', c.name, 'value', o.value, 'currency', o.currency,
           'state', o.state, 'madeAt', o.made_at, 'endedAt', o.ended_at, 'reason', o.end_reason) order by o.made_at desc, o.id)
         from opportunity_person r join opportunity o on o.workspace_id = $1 and o.id = r.opportunity_id
         left join company c on c.workspace_id = $1 and c.id = company_now(o.company_id)
         where r.workspace_id = $1 and r.person_id = $2), '[]'),
       'mergedWith', coalesce((select jsonb_agg(jsonb_build_object('at', m.at, 'names', m.names, 'undoneAt', m.undone_at, 'by', a.name,
           'before', m.before) order by m.at desc)
         from merge m left join account a on a.workspace_id = $1 and a.id = m.by
         where m.workspace_id = $1 and m.into_id = $2), '[]'),
       'shownByLink', coalesce((select jsonb_agg(jsonb_build_object('madeAt', s.made_at, 'endsAt', s.ends_at, 'opened', s.opened,
           'by', a.name) order by s.made_at desc)
         from share s join account a on a.id = s.made_by where s.workspace_id = $1 and s.person_id = $2), '[]'),
       'broughtInBy', coalesce((select jsonb_agg(jsonb_build_object('file', f.name, 'at', f.made_at, 'row', r.number, 'given', r.given)
           order by f.made_at desc, r.number)
         from import_row r join import_file f on f.workspace_id = $1 and f.id = r.import_id
         where r.workspace_id = $1 and r.person_id = $2), '[]')) as record`,
    [workspaceId, id],
  );
  return row!.record;
}
