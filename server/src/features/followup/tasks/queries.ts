import type { Task as TaskView } from '@dossier/contract';
import type { EntityManager } from 'typeorm';

export interface TaskRow {
  id: string;
  kind: TaskView['kind'];
  text: string;
  due_on: string | null;
  due_time: string | null;
  repeat: TaskView['repeat'];
  owner_id: string;
  owner_name: string;
  person_id: string | null;
  full_name: string | null;
  person_company: string | null;
  company_id: string | null;
  company_name: string | null;
  opportunity_id: string | null;
  opportunity: string | null;
  plan: string | null;
  done_at: Date | null;
  version: number;
  made_at: Date;
  changed_at: Date;
}

const TASKS = `
  select t.id, t.kind, t.text, t.due_on::text, t.due_time, t.repeat, t.owner_id, a.name as owner_name, t.person_id, p.full_name,
    coalesce((select c.name from employment e join company c on c.workspace_id = $1 and c.id = e.company_id
      where e.workspace_id = $1 and e.person_id = t.person_id and e.ended_at is null), '') as person_company,
    t.company_id, f.name as company_name, t.opportunity_id, (select o.title from opportunity o where o.workspace_id = $1 and o.id = t.opportunity_id) as opportunity, (select l.name from enrolment n join plan l on l.workspace_id = $1 and l.id = n.plan_id
      where n.workspace_id = $1 and n.id = t.enrolment_id) as plan,
    t.done_at, t.version, t.made_at, t.changed_at
  from task t
  join account a on a.workspace_id = $1 and a.id = t.owner_id
  left join person p on p.workspace_id = $1 and p.id = t.person_id
  left join company f on f.workspace_id = $1 and f.id = t.company_id
  where t.workspace_id = $1 and (t.person_id is null or p.deleted_at is null)`;

export interface TaskFilter {
  ownerId: string | null;
  personId: string | null;
  companyId: string | null;
  opportunityId?: string | null;
  done: boolean;
  /** Behind which place the page begins; open ones by day, time and id, done ones the latest first. */
  after: readonly string[] | null;
  limit: number;
  /** Only what is due by that day. */
  dueBy?: string | null;
}

/** Tasks of a team, those with a day first; of those that are done the latest first. */
export const taskRows = (
  manager: EntityManager,
  workspaceId: string,
  { ownerId, personId, companyId, opportunityId = null, done, after, limit, dueBy = null }: TaskFilter,
): Promise<TaskRow[]> =>
  manager.query(
    `${TASKS} and (t.done_at is not null) = $2 and ($3::uuid is null or t.owner_id = $3) and ($4::uuid is null or t.person_id = $4)
       and ($5::uuid is null or company_now(t.company_id) = $5) and ($6::date is null or t.due_on <= $6) and ($8::uuid is null or t.opportunity_id = $8)
       ${after ? (done ? 'and (t.done_at, t.id) < ($9::timestamptz, $10::uuid)' : `and (coalesce(t.due_on, 'infinity'), coalesce(t.due_time, '99:99'), t.id) > ($9::date, $10::text, $11::uuid)`) : ''}
     order by ${done ? 't.done_at desc, t.id desc' : `coalesce(t.due_on, 'infinity'), coalesce(t.due_time, '99:99'), t.id`} limit $7`,
    [workspaceId, done, ownerId, personId, companyId, dueBy, limit, opportunityId, ...(after ?? [])],
  );

export const taskRow = async (manager: EntityManager, workspaceId: string, id: string): Promise<TaskRow | undefined> =>
  (await manager.query<TaskRow[]>(`${TASKS} and t.id = $2`, [workspaceId, id]))[0];

/** How many tasks somebody has done on the day that begins then. */
export async function doneSince(
  manager: EntityManager,
  workspaceId: string,
  accountId: string,
  since: Date,
): Promise<number> {
  const [row] = await manager.query<{ done: number }[]>(
    'select count(*)::int as done from task where workspace_id = $1 and done_by = $2 and done_at >= $3',
    [workspaceId, accountId, since],
  );
  return row!.done;
}

/** Gives what one colleague still has to do, and the addresses that stand for their people, to another. @returns how many tasks */
export async function handOverTasks(
  manager: EntityManager,
  workspaceId: string,
  { from, to }: { from: string; to: string },
): Promise<number> {
  const [rows] = await manager.query<[{ id: string }[]]>(
    `update task set owner_id = $3, version = version + 1, changed_at = now()
     where workspace_id = $1 and owner_id = $2 and done_at is null returning id`,
    [workspaceId, from, to],
  );
  await manager.query('delete from calendar_feed where workspace_id = $1 and account_id = $2', [workspaceId, from]);
  return rows.length;
}

/** Whose calendar a key opens. */
export async function calendarOfKey(
  manager: EntityManager,
  hash: Buffer,
): Promise<{ account_id: string; workspace_id: string } | undefined> {
  const [row] = await manager.query<{ account_id: string; workspace_id: string }[]>(
    'select * from calendar_of_key($1)',
    [hash],
  );
  return row;
}

/** Whether there is such a piece of business. */
export async function isOpportunity(manager: EntityManager, workspaceId: string, id: string): Promise<boolean> {
  const rows = await manager.query<unknown[]>('select from opportunity where workspace_id = $1 and id = $2', [
    workspaceId,
    id,
  ]);
  return rows.length > 0;
}
