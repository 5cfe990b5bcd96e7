import type { EntityManager } from 'typeorm';

/** Names of plans in whose steps a template stands. */
export async function plansUsing(manager: EntityManager, workspaceId: string, templateId: string): Promise<string[]> {
  const rows = await manager.query<{ name: string }[]>(
    `select p.name from plan p join plan_version v on v.workspace_id = $1 and v.plan_id = p.id and v.version = p.version
     where p.workspace_id = $1 and p.removed_at is null
       and exists (select from jsonb_array_elements(v.steps) s where s->'act'->>'templateId' = $2)
     order by p.name`,
    [workspaceId, templateId],
  );
  return rows.map(({ name }) => name);
}

export interface PlanCount {
  plan_id: string;
  people: number;
  on_older: number;
  occasions: string[];
}

/** Who is in each plan, who of them on an older version, and which occasions begin it. */
export const planCounts = (manager: EntityManager, workspaceId: string): Promise<PlanCount[]> =>
  manager.query(
    `select p.id as plan_id,
       (select count(*)::int from enrolment e where e.workspace_id = $1 and e.plan_id = p.id and e.status <> 'ended') as people,
       (select count(*)::int from enrolment e where e.workspace_id = $1 and e.plan_id = p.id and e.status <> 'ended' and e.version < p.version) as on_older,
       array(select o.name from occasion o where o.workspace_id = $1 and o.plan_id = p.id and not o.closed order by o.name) as occasions
     from plan p where p.workspace_id = $1 and p.removed_at is null`,
    [workspaceId],
  );

/** Whose next step is due, the longest first. */
export async function dueEnrolments(manager: EntityManager, workspaceId: string, most: number): Promise<string[]> {
  const rows = await manager.query<{ id: string }[]>(
    `select e.id from enrolment e
     where e.workspace_id = $1 and e.status = 'running' and e.due_at <= now()
     order by e.due_at, e.id limit $2`,
    [workspaceId, most],
  );
  return rows.map(({ id }) => id);
}

/** What was held is looked at again once something has been done about the person. @returns how many */
export async function wakeHeld(manager: EntityManager, workspaceId: string): Promise<number> {
  const [rows] = await manager.query<[{ id: string }[]]>(
    `update enrolment e set due_at = now()
     where e.workspace_id = $1 and e.status = 'running' and e.held is not null and e.due_at > now()
       and exists (select from change_log l where l.workspace_id = $1 and l.person_id = e.person_id and l.at > e.held_at)
     returning e.id`,
    [workspaceId],
  );
  return rows.length;
}

/** Who got the tag that a plan begins with since the plan was told so, and was never in it. */
export const newlyTagged = (
  manager: EntityManager,
  workspaceId: string,
  most: number,
): Promise<{ plan_id: string; person_id: string; by: string }[]> =>
  manager.query(
    `select l.id as plan_id, p.id as person_id, coalesce(tagged.by, p.owner_id) as by
     from plan l
     join person p on p.workspace_id = $1 and p.deleted_at is null and l.start_tag = any(p.tags) and p.updated_at >= l.tag_from
     left join lateral (
       select g.actor_id as by, g.at from change_log g
       where g.workspace_id = $1 and g.person_id = p.id and g.at >= l.tag_from
         and exists (select from jsonb_array_elements(g.changes) c where c->>'field' = 'tags'
           and l.start_tag = any(string_to_array(c->>'after', ', ')) and not l.start_tag = any(string_to_array(c->>'before', ', ')))
       order by g.at desc limit 1) tagged on true
     where l.workspace_id = $1 and l.is_on and l.removed_at is null and l.tag_from is not null
       and (p.created_at >= l.tag_from or tagged.at is not null)
       and not exists (select from enrolment e where e.workspace_id = $1 and e.plan_id = l.id and e.person_id = p.id)
     order by p.id limit $2`,
    [workspaceId, most],
  );

/** People in a plan who withdrew since it began and agree to no way any more. */
export async function withdrawnSince(manager: EntityManager, workspaceId: string): Promise<string[]> {
  const rows = await manager.query<{ person_id: string }[]>(
    `select distinct e.person_id from enrolment e
     where e.workspace_id = $1 and e.status <> 'ended'
       and exists (select from consent c where c.workspace_id = $1 and c.person_id = e.person_id and c.withdrawn_at >= e.started_at)
       and not exists (select from consent c where c.workspace_id = $1 and c.person_id = e.person_id and c.withdrawn_at is null)
     limit 100`,
    [workspaceId],
  );
  return rows.map(({ person_id: id }) => id);
}

/** People in a plan who are leads that were closed. */
export async function closedInPlans(manager: EntityManager, workspaceId: string): Promise<string[]> {
  const rows = await manager.query<{ person_id: string }[]>(
    `select distinct e.person_id from enrolment e join person p on p.workspace_id = $1 and p.id = e.person_id and p.closed is not null
     where e.workspace_id = $1 and e.status <> 'ended' limit 100`,
    [workspaceId],
  );
  return rows.map(({ person_id: id }) => id);
}

/** Workspaces in which there is something of a kind for a worker to do with plans. */
export async function workspacesWith(
  manager: EntityManager,
  what: 'due_steps' | 'held_steps' | 'tagged_plans' | 'plan_wishes' | 'withdrawals' | 'closed_leads',
): Promise<string[]> {
  const rows = await manager.query<{ id: string }[]>(`select * from workspaces_with_${what}() as found(id)`);
  return rows.map(({ id }) => id);
}

/** What a plan has written and not sent is taken back. */
export const stopSending = (manager: EntityManager, workspaceId: string, enrolmentId: string): Promise<unknown> =>
  manager.query(
    `update message set state = 'refused', problem = 'Its plan ended before it was sent.', next_at = null
     where workspace_id = $1 and enrolment_id = $2 and state = 'waiting'`,
    [workspaceId, enrolmentId],
  );

/** No occasion begins a plan any more that is gone. */
export const forgetPlanOfOccasions = (manager: EntityManager, workspaceId: string, planId: string): Promise<unknown> =>
  manager.query('update occasion set plan_id = null where workspace_id = $1 and plan_id = $2', [workspaceId, planId]);

export async function isDestination(manager: EntityManager, workspaceId: string, id: string): Promise<boolean> {
  const rows = await manager.query<unknown[]>('select from destination where workspace_id = $1 and id = $2', [
    workspaceId,
    id,
  ]);
  return rows.length > 0;
}
