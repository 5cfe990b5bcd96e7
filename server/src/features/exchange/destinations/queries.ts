import type { DestinationFields, HandedSubject, HandOverWhen } from '@dossier/contract';
import { PARTS } from '@dossier/core/pipeline';
import type { DataSource, EntityManager } from 'typeorm';

/** A worker that is killed costs a job one of these; the tries to deliver are counted elsewhere. */
export const ATTEMPTS = 25;

/**
 * Takes the next moment in which something may be sent to a destination.
 * @returns milliseconds until then
 */
export async function takeSlot(manager: EntityManager, workspaceId: string, destinationId: string): Promise<number> {
  const [rows] = await manager.query<[{ wait: number }[]]>(
    `update destination set next_slot_at = greatest(now(), next_slot_at) + make_interval(secs => 60.0 / per_minute)
     where workspace_id = $1 and id = $2
     returning extract(epoch from next_slot_at - make_interval(secs => 60.0 / per_minute) - now())::float * 1000 as wait`,
    [workspaceId, destinationId],
  );
  return Math.max(0, rows[0]?.wait ?? 0);
}

/** At most so many are sent to one destination at a time; the others have their own. */
const LANES = 3;

/** Puts the job of each row of `made` into the queue of its person. @param attempts place of the parameter that says how many it has */
const jobsOfMade = (attempts: string): string =>
  `select count(graphile_worker.add_job('handOver', payload := json_build_object('deliveryId', made.id, 'workspaceId', $1::text),
     job_key := 'hand:' || made.id, max_attempts := ${attempts},
     queue_name := 'hand:' || $2::text || ':' || ('x' || right(made.person_id::text, 1))::bit(4)::int % ${LANES}))::int as begun from made`;

/** How many people are on their way to a destination, wait for somebody, and are there. */
export async function standingOf(
  manager: EntityManager,
  workspaceId: string,
  destinationId: string,
): Promise<{ waiting: number; held: number; delivered: number }> {
  const [row] = await manager.query<[{ waiting: number; held: number; delivered: number }]>(
    `select (select count(*)::int from delivery where workspace_id = $1 and destination_id = $2 and state in ('waiting', 'sending')) as waiting,
       (select count(*)::int from delivery where workspace_id = $1 and destination_id = $2 and state = 'held') as held,
       (select count(*)::int from handed_record where workspace_id = $1 and destination_id = $2 and subject = 'person') as delivered`,
    [workspaceId, destinationId],
  );
  return row;
}

export interface Wanted {
  personId: string;
  subject: HandedSubject;
  subjectId: string;
}

/**
 * Writes down what is to be sent to a destination, with its job. What waits already is sent as it is then: it is not written twice.
 * Deliveries of one person are done one after the other.
 * @returns how many were written
 */
export async function wantDelivered(
  manager: EntityManager,
  workspaceId: string,
  destinationId: string,
  wanted: readonly Wanted[],
): Promise<number> {
  if (wanted.length === 0) return 0;
  const [row] = await manager.query<{ begun: number }[]>(
    `with made as (
       insert into delivery (id, workspace_id, destination_id, person_id, subject, subject_id, state, made_at, next_at)
       select gen_random_uuid(), $1, $2, w.person_id, w.subject, w.subject_id, 'waiting', clock_timestamp(), now()
       from unnest($3::uuid[], $4::text[], $5::uuid[]) w(person_id, subject, subject_id)
       on conflict (destination_id, subject, subject_id) where state = 'waiting' do nothing
       returning id, person_id)
     ${jobsOfMade('$6')}`,
    [
      workspaceId,
      destinationId,
      wanted.map(({ personId }) => personId),
      wanted.map(({ subject }) => subject),
      wanted.map(({ subjectId }) => subjectId),
      ATTEMPTS,
    ],
  );
  return row!.begun;
}

/** Puts one person on their way to a destination, if it is still there. */
export async function handOverOne(
  manager: EntityManager,
  workspaceId: string,
  destinationId: string,
  personId: string,
): Promise<void> {
  const [found] = await manager.query<{ id: string }[]>(
    'select id from destination where workspace_id = $1 and id = $2',
    [workspaceId, destinationId],
  );
  if (found)
    await wantDelivered(manager, workspaceId, destinationId, [{ personId, subject: 'person', subjectId: personId }]);
}

/** Tries again what waits for somebody, or for the destination to go on. @param ids these alone; all of it without @returns how many */
export async function tryAgain(
  manager: EntityManager,
  workspaceId: string,
  destinationId: string,
  states: readonly string[],
  ids: readonly string[] | null = null,
): Promise<number> {
  const [row] = await manager.query<{ begun: number }[]>(
    `with made as (
       update delivery d set state = 'waiting', attempts = 0, next_at = now(), done_at = null, problem = null
       where d.workspace_id = $1 and d.destination_id = $2 and d.state = any($3::text[]) and ($4::uuid[] is null or d.id = any($4::uuid[]))
         and (d.state = 'waiting' or not exists (select from delivery o where o.workspace_id = $1 and o.destination_id = $2
           and o.subject = d.subject and o.subject_id = d.subject_id and o.state = 'waiting'))
         and d.made_at = (select max(l.made_at) from delivery l where l.workspace_id = $1 and l.destination_id = $2
           and l.subject = d.subject and l.subject_id = d.subject_id and l.state = d.state)
       returning d.id, d.person_id)
     ${jobsOfMade('$5')}`,
    [workspaceId, destinationId, states, ids, ATTEMPTS],
  );
  return row!.begun;
}

/** The queue of a person's sendings: they go one after the other. */
export const queueOf = (destinationId: string, personId: string): string =>
  `hand:${destinationId}:${parseInt(personId.at(-1)!, 16) % LANES}`;

/** Everybody who was chosen in this transaction, as `wantDelivered`. */
export async function wantChosen(manager: EntityManager, workspaceId: string, destinationId: string): Promise<number> {
  const [row] = await manager.query<{ begun: number }[]>(
    `with made as (
       insert into delivery (id, workspace_id, destination_id, person_id, subject, subject_id, state, made_at, next_at)
       select gen_random_uuid(), $1, $2, c.person_id, 'person', c.person_id, 'waiting', clock_timestamp(), now() from chosen c order by c.place
       on conflict (destination_id, subject, subject_id) where state = 'waiting' do nothing
       returning id, person_id)
     ${jobsOfMade('$3')}`,
    [workspaceId, destinationId, ATTEMPTS],
  );
  return row!.begun;
}

/** Of these people, whom a destination has already, is getting just now, or is to have by its rule. */
export async function concerned(
  manager: EntityManager,
  workspaceId: string,
  { id: destinationId, whenHanded, occasions }: Rule,
  personIds: readonly string[],
): Promise<string[]> {
  const rows = await manager.query<{ id: string }[]>(
    `select p.id from person p
     where p.workspace_id = $1 and p.id = any($3::uuid[]) and p.deleted_at is null and (
       exists (select from handed_record h where h.workspace_id = $1 and h.destination_id = $2 and h.subject = 'person' and h.subject_id = p.id)
       or exists (select from delivery d where d.workspace_id = $1 and d.destination_id = $2 and d.subject = 'person' and d.subject_id = p.id
         and d.state in ('waiting', 'sending'))
       or case coalesce(
           (select o.value->>'when' from jsonb_array_elements($5::jsonb) o(value)
            join card k on k.workspace_id = $1 and k.person_id = p.id and k.occasion_id = (o.value->>'occasionId')::uuid
            order by k.taken_at desc limit 1), $4)
         when 'always' then true
         when 'leads' then p.kind = 'lead'
         when 'contacts' then p.kind = 'contact'
         when 'consented' then exists (select from consent c where c.workspace_id = $1 and c.person_id = p.id and c.withdrawn_at is null)
         when 'looked' then p.filed_by_itself_at is null
         else false end)`,
    [workspaceId, destinationId, personIds, whenHanded, JSON.stringify(occasions)],
  );
  return rows.map(({ id }) => id);
}

interface Rule {
  id: string;
  whenHanded: HandOverWhen;
  occasions: DestinationFields['occasions'];
}

/** Where a person was met, the latest first. */
export async function occasionsOf(manager: EntityManager, workspaceId: string, personId: string): Promise<string[]> {
  const rows = await manager.query<{ id: string }[]>(
    `select occasion_id as id from card where workspace_id = $1 and person_id = $2 and occasion_id is not null
     group by occasion_id order by max(taken_at) desc, occasion_id`,
    [workspaceId, personId],
  );
  return rows.map(({ id }) => id);
}

/** With whom business o is done, for systems that know one: whoever decides before who uses it, advises or signs. */
const FIRST_OF_ITS_PEOPLE = `select r.person_id from opportunity_person r join person p on p.workspace_id = $1 and p.id = r.person_id
  where r.workspace_id = $1 and r.opportunity_id = o.id and p.deleted_at is null
  order by array_position(array[${PARTS.map((part) => `'${part}'`).join()}], r.part), p.sort_name, p.id limit 1`;

/** With whom business is done that has changed. */
export async function peopleOfBusiness(
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
): Promise<string[]> {
  if (ids.length === 0) return [];
  const rows = await manager.query<{ id: string | null }[]>(
    `select distinct (${FIRST_OF_ITS_PEOPLE}) as id from opportunity o where o.workspace_id = $1 and o.id = any($2::uuid[])`,
    [workspaceId, ids],
  );
  return rows.flatMap(({ id }) => id ?? []);
}

/** All that hangs on person $3: when it was made, and a mark that is another one once it says something else. */
const HANGING = `
  select 'note' as subject, n.id as subject_id, n.at, md5(n.text) as mark from note n where n.workspace_id = $1 and n.person_id = $3 and n.text <> ''
  union all select 'task', t.id, t.made_at, md5(concat_ws('|', t.text, t.due_on, t.done_at)) from task t where t.workspace_id = $1 and t.person_id = $3
  union all select 'picture', k.id, k.taken_at, '' from card k left join card f on f.workspace_id = $1 and f.id = k.front_card_id
    where k.workspace_id = $1 and coalesce(k.person_id, f.person_id) = $3 and k.file_id is not null
  union all select 'opportunity', o.id, o.made_at, md5(concat_ws('|', o.version, mine.person_id))
    from opportunity_person mine join opportunity o on o.workspace_id = $1 and o.id = mine.opportunity_id
    where mine.workspace_id = $1 and mine.person_id = $3 and mine.person_id = (${FIRST_OF_ITS_PEOPLE})`;

/** The mark of something that hangs on a person, read before it is: what changes in between is sent once more. */
export async function markOf(
  manager: EntityManager,
  workspaceId: string,
  subjectId: string,
  personId: string,
): Promise<string> {
  // prettier-ignore
  const [row] = await manager.query<{ mark: string }[]>(
    `select s.mark from (${HANGING}) s where s.subject_id = $2`,
    [workspaceId, subjectId, personId],
  );
  return row?.mark ?? '';
}

/**
 * What hangs on a person and a destination does not have yet, or not as it is now: notes, tasks, pictures and business, each the oldest first.
 * @param takes which of them it takes, and whether it takes changes of them
 */
export async function hangingToSend(
  manager: EntityManager,
  workspaceId: string,
  destinationId: string,
  personId: string,
  takes: Readonly<Record<Exclude<Wanted['subject'], 'person'>, 'none' | 'new' | 'changes'>>,
): Promise<Wanted[]> {
  const rows = await manager.query<{ subject: Wanted['subject']; subject_id: string }[]>(
    `select s.subject, s.subject_id from (${HANGING}) s
     left join handed_record h on h.workspace_id = $1 and h.destination_id = $2 and h.subject = s.subject and h.subject_id = s.subject_id
     where case $4::jsonb->>s.subject
       when 'new' then h.subject_id is null
       when 'changes' then h.subject_id is null or h.sent->>'mark' is distinct from s.mark
       else false end
     order by s.at, s.subject_id`,
    [workspaceId, destinationId, personId, JSON.stringify(takes)],
  );
  return rows.map(({ subject, subject_id: subjectId }) => ({ personId, subject, subjectId }));
}

/** By which ways a person may be reached. */
export async function consentsOf(manager: EntityManager, workspaceId: string, personId: string): Promise<string[]> {
  const rows = await manager.query<{ channel: string }[]>(
    `select distinct unnest(channels) as channel from consent where workspace_id = $1 and person_id = $2 and withdrawn_at is null order by 1`,
    [workspaceId, personId],
  );
  return rows.map(({ channel }) => channel);
}

/** What arrived months ago; where it is there is kept elsewhere. @returns how many went */
export async function forgetOldDeliveries(database: DataSource): Promise<number> {
  const [row] = await database.query<{ gone: string }[]>('select forget_old_deliveries() as gone');
  return Number(row!.gone);
}
