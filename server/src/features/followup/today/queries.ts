import type { EntityManager } from 'typeorm';

export interface Who {
  person_id: string;
  full_name: string;
  company: string;
}
const WHO = `p.id as person_id, p.full_name, coalesce((select c.name from employment e join company c on c.workspace_id = $1 and c.id = e.company_id
  where e.workspace_id = $1 and e.person_id = p.id and e.ended_at is null), '') as company`;

/** Answers that nobody has read, of somebody's people; the oldest first. */
export const unreadAnswers = (
  manager: EntityManager,
  workspaceId: string,
  ownerId: string,
): Promise<(Who & { id: string; at: Date; subject: string; body: string })[]> =>
  manager.query(
    `select ${WHO}, m.id, m.at, m.subject, m.body from message m join person p on p.workspace_id = $1 and p.id = m.person_id and p.deleted_at is null
     where m.workspace_id = $1 and m.direction = 'in' and m.read_at is null and p.owner_id = $2 order by m.at, m.id limit 50`,
    [workspaceId, ownerId],
  );

/** Messages to somebody's people that went wrong or perhaps went, and that nobody has looked at since. */
export const messagesToLookAt = (
  manager: EntityManager,
  workspaceId: string,
  ownerId: string,
): Promise<(Who & { id: string; at: Date; subject: string; state: string; problem: string | null })[]> =>
  manager.query(
    `select ${WHO}, m.id, m.at, m.subject, m.state, m.problem from message m join person p on p.workspace_id = $1 and p.id = m.person_id and p.deleted_at is null
     where m.workspace_id = $1 and m.direction = 'out' and m.state in ('uncertain', 'refused') and m.read_at is null and p.owner_id = $2
     order by m.at, m.id limit 50`,
    [workspaceId, ownerId],
  );

/** Somebody's people whose plan is held, and why. */
export const heldCourses = (
  manager: EntityManager,
  workspaceId: string,
  ownerId: string,
): Promise<(Who & { id: string; plan: string; held: string; held_at: Date })[]> =>
  manager.query(
    `select ${WHO}, n.id, l.name as plan, n.held, n.held_at from enrolment n join plan l on l.workspace_id = $1 and l.id = n.plan_id
     join person p on p.workspace_id = $1 and p.id = n.person_id and p.deleted_at is null
     where n.workspace_id = $1 and n.status = 'running' and n.held is not null and p.owner_id = $2 order by n.held_at, n.id limit 50`,
    [workspaceId, ownerId],
  );

/** Somebody's leads that nothing was done about for so many days and nothing is to be done about, the longest first. */
export const untouchedLeads = (
  manager: EntityManager,
  workspaceId: string,
  ownerId: string,
  days: number,
  most: number,
): Promise<(Who & { since: Date; all: number })[]> =>
  manager.query(
    `select ${WHO}, touched.at as since, count(*) over ()::int as all from person_listing g
     join person p on p.workspace_id = $1 and p.id = g.person_id
     join lateral (select max(l.at) as at from change_log l where l.workspace_id = $1 and l.person_id = p.id) touched on true
     where g.workspace_id = $1 and g.touched_at < now() - make_interval(days => $3) and p.kind = 'lead' and p.closed is null and p.owner_id = $2 and p.deleted_at is null and touched.at < now() - make_interval(days => $3)
       and not exists (select from task t where t.workspace_id = $1 and t.person_id = p.id and t.done_at is null)
       and not exists (select from enrolment n where n.workspace_id = $1 and n.person_id = p.id and n.status <> 'ended')
     order by touched.at, p.id limit $4`,
    [workspaceId, ownerId, days, most],
  );

/** Somebody's open business that is past its day, or that nothing is to be done about; what is past longest first. */
export const businessToLookAt = (
  manager: EntityManager,
  workspaceId: string,
  ownerId: string,
  today: string,
): Promise<{ id: string; title: string; company: string; expected_on: string | null; past: boolean }[]> =>
  manager.query(
    `select o.id, o.title, coalesce(c.name, '') as company, o.expected_on::text, coalesce(o.expected_on < $3::date, false) as past
     from opportunity o left join company c on c.workspace_id = $1 and c.id = company_now(o.company_id)
     where o.workspace_id = $1 and o.state = 'open' and o.owner_id = $2 and (o.expected_on < $3::date
       or not exists (select from task t where t.workspace_id = $1 and t.opportunity_id = o.id and t.done_at is null))
     order by past desc, o.expected_on nulls last, o.id limit 30`,
    [workspaceId, ownerId, today],
  );

/** @returns whether somebody's day of mail is ours to send: it was not sent on that day */
export async function claimMorning(
  manager: EntityManager,
  workspaceId: string,
  accountId: string,
  day: string,
): Promise<boolean> {
  const [, count] = await manager.query<[unknown[], number]>(
    `update morning_mail set sent_on = $3 where workspace_id = $1 and account_id = $2 and sent_on is distinct from $3::date`,
    [workspaceId, accountId, day],
  );
  return count === 1;
}

/** Cards that wait for somebody at the desk. */
export async function cardsToProve(manager: EntityManager, workspaceId: string): Promise<number> {
  const [row] = await manager.query<{ cards: number }[]>(
    `select count(*)::int as cards from card where workspace_id = $1 and state in ('toProve', 'needsPerson')`,
    [workspaceId],
  );
  return row!.cards;
}

export interface SoonRow {
  people: number;
  within_day: number;
  within_week: number;
  later: number;
  never: number;
  answered: number;
}

/**
 * How soon whoever was filed from an occasion was written to first, by mail or letter, and who of them answered: by when the answer came
 * here, since the clock of whoever wrote it tells whole seconds, and perhaps other ones.
 */
export async function followUpOf(manager: EntityManager, workspaceId: string, occasionId: string): Promise<SoonRow> {
  const [row] = await manager.query<[SoonRow]>(
    `with met as (
       select p.id, min(l.at) as filed_at from card k join person p on p.workspace_id = $1 and p.id = k.person_id and p.deleted_at is null
       join change_log l on l.workspace_id = $1 and l.card_id = k.id and l.person_id = p.id and l.action in ('filed', 'filedByItself', 'updated', 'newJob')
       where k.workspace_id = $1 and k.occasion_id = $2 and k.state = 'filed' group by p.id),
     soon as (
       select met.id, (select min(m.at) from message m where m.workspace_id = $1 and m.person_id = met.id and m.direction = 'out' and m.state = 'sent' and m.at >= met.filed_at) - met.filed_at as took,
         exists (select from message m where m.workspace_id = $1 and m.person_id = met.id and m.direction = 'in' and m.kind = 'answer' and m.made_at >= met.filed_at) as answered
       from met)
     select count(*)::int as people, count(*) filter (where took <= interval '1 day')::int as within_day,
       count(*) filter (where took > interval '1 day' and took <= interval '7 days')::int as within_week,
       count(*) filter (where took > interval '7 days')::int as later, count(*) filter (where took is null)::int as never,
       count(*) filter (where answered)::int as answered from soon`,
    [workspaceId, occasionId],
  );
  return row;
}
