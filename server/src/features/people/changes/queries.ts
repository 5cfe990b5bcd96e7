import type { LeftWhy, PeopleChangeState } from '@dossier/contract';
import type { FieldChange, PersonFields } from '@dossier/core/people';
import type { EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import type { SignedIn } from '../../../platform/session';
import type { ListSpec } from '../list/spec';
import { personColumns } from '../savePerson';
import type { KeptState, RowState } from './entities';

/** Whom a change is about: those of them who are here, deleted or not. @returns how many */
export async function chooseIds(
  manager: EntityManager,
  workspaceId: string,
  changeId: string,
  ids: readonly string[],
): Promise<number> {
  const [row] = await manager.query<{ people: number }[]>(
    `with chosen as (insert into people_change_row (change_id, person_id, workspace_id, state)
       select $2, id, $1, 'waiting' from person where workspace_id = $1 and id = any($3::uuid[]) order by id returning 1)
     select count(*)::int as people from chosen`,
    [workspaceId, changeId, ids],
  );
  return row!.people;
}

/** Everybody of a list, by name. */
export async function everybodyListed(manager: EntityManager, spec: ListSpec): Promise<string[]> {
  const rows = await manager.query<{ person_id: string }[]>(
    `select person_id from list_people($1, 'sort_name', false, null, 10000000)`,
    [JSON.stringify(spec)],
  );
  return rows.map((row) => row.person_id);
}

/** The next some of whom a change is about, in the order in which people are locked. */
export async function nextOf(
  manager: EntityManager,
  workspaceId: string,
  changeId: string,
  state: RowState,
  limit: number,
): Promise<string[]> {
  const rows = await manager.query<{ person_id: string }[]>(
    `select person_id from people_change_row
     where workspace_id = $1 and change_id = $2 and state = $3 order by person_id limit $4`,
    [workspaceId, changeId, state, limit],
  );
  return rows.map((row) => row.person_id);
}

/** How many are in which state, by change. */
export async function countByState(
  manager: EntityManager,
  workspaceId: string,
  changeIds: readonly string[],
): Promise<Map<string, Partial<Record<RowState, number>>>> {
  const rows = await manager.query<{ change_id: string; state: RowState; people: number }[]>(
    `select change_id, state, count(*)::int as people from people_change_row
     where workspace_id = $1 and change_id = any($2::uuid[]) group by change_id, state`,
    [workspaceId, changeIds],
  );
  const counts = new Map<string, Partial<Record<RowState, number>>>(changeIds.map((id) => [id, {}]));
  for (const { change_id, state, people } of rows) counts.get(change_id)![state] = people;
  return counts;
}

/** Some of those in a state in which they were left as they are, by name. */
export const leftPeople = (
  manager: EntityManager,
  workspaceId: string,
  changeId: string,
  state: 'left' | 'kept',
  limit: number,
): Promise<PeopleChangeState['left']> =>
  manager.query(
    `select p.id as "personId", p.full_name as "fullName", r.why, r.field from people_change_row r
     join person p on p.workspace_id = $1 and p.id = r.person_id
     where r.workspace_id = $1 and r.change_id = $2 and r.state = $3 order by p.sort_name, p.id limit $4`,
    [workspaceId, changeId, state, limit],
  );

/** What a change of many can touch of people. @param hold whether nobody else may change them meanwhile @returns those who are there, deleted or not */
export async function changeableStates(
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
  hold: boolean,
  planId: string | null,
): Promise<Map<string, { state: Omit<KeptState, 'fields' | 'noteId'>; fullName: string }>> {
  const rows = await manager.query<
    {
      id: string;
      full_name: string;
      kind: KeptState['kind'];
      owner_id: string;
      rating: string | null;
      lead_status: string | null;
      closed: KeptState['closed'];
      qualified_at: Date | null;
      tags: string[];
      deleted: boolean;
      card_id: string | null;
      occasion_id: string | null;
      in_plan: boolean;
    }[]
  >(
    `with one as (
       select id, full_name, kind, owner_id, rating, lead_status, closed, qualified_at, tags, deleted_at is not null as deleted from person
       where workspace_id = $1 and id = any($2::uuid[]) order by id ${hold ? 'for no key update' : ''})
     select one.*, card.id as card_id, card.occasion_id, $3::uuid is not null and (
         exists (select from enrolment e where e.workspace_id = $1 and e.plan_id = $3 and e.person_id = one.id and e.status <> 'ended')
         or exists (select from plan_wish w where w.workspace_id = $1 and w.plan_id = $3 and w.person_id = one.id and w.begins)) as in_plan from one
     left join lateral (select k.id, k.occasion_id from card k where k.workspace_id = $1 and k.person_id = one.id
       order by k.taken_at desc, k.id limit 1) card on true`,
    [workspaceId, ids, planId],
  );
  return new Map(
    rows.map((row) => [
      row.id,
      {
        fullName: row.full_name,
        state: {
          kind: row.kind,
          ownerId: row.owner_id,
          rating: row.rating,
          status: row.lead_status,
          closed: row.closed,
          qualifiedAt: row.qualified_at?.toISOString() ?? null,
          tags: row.tags,
          deleted: row.deleted,
          cardId: row.card_id,
          occasionId: row.occasion_id,
          planId: row.in_plan ? planId : null,
        },
      },
    ]),
  );
}

/** What becomes of one person. */
export interface NewState {
  personId: string;
  state: KeptState;
}

/** Writes what stands in people's own rows, with a version more. */
export const writeStates = (
  manager: EntityManager,
  workspaceId: string,
  people: readonly NewState[],
  at: Date,
): Promise<unknown> =>
  manager.query(
    `update person set kind = now.kind, owner_id = now.owner_id, rating = now.rating, tags = now.tags,
       lead_status = now.lead_status, closed = now.closed, qualified_at = now.qualified_at,
       deleted_at = case when not now.deleted then null else coalesce(person.deleted_at, $3) end,
       prefix = now.prefix, given_name = now.given_name, middle_name = now.middle_name, family_name = now.family_name,
       suffix = now.suffix, full_name = now.full_name, sort_name = now.sort_name, street = now.street,
       postal_code = now.postal_code, locality = now.locality, region = now.region, country = now.country,
       version = person.version + 1, updated_at = $3
     from jsonb_to_recordset($2::jsonb) as now(id uuid, kind text, owner_id uuid, rating text, lead_status text, closed jsonb, qualified_at timestamptz, tags text[], deleted boolean,
       prefix text, given_name text, middle_name text, family_name text, suffix text, full_name text, sort_name text,
       street text, postal_code text, locality text, region text, country text)
     where person.workspace_id = $1 and person.id = now.id`,
    [workspaceId, JSON.stringify(people.map(columnsOf)), at],
  );

function columnsOf({ personId, state }: NewState) {
  const own = personColumns(state.fields);
  return {
    id: personId,
    kind: state.kind,
    owner_id: state.ownerId,
    rating: state.rating,
    lead_status: state.status,
    closed: state.closed,
    qualified_at: state.qualifiedAt,
    tags: state.tags,
    deleted: state.deleted,
    prefix: own.prefix,
    given_name: own.givenName,
    middle_name: own.middleName,
    family_name: own.familyName,
    suffix: own.suffix,
    full_name: own.fullName,
    sort_name: own.sortName,
    street: own.street,
    postal_code: own.postalCode,
    locality: own.locality,
    region: own.region,
    country: own.country,
  };
}

/** Current jobs as they are to be: corrected, made where there was none, gone where nothing is left of them. */
export async function writeJobs(
  manager: EntityManager,
  workspaceId: string,
  jobs: readonly ({ personId: string; companyId: string | null } & Pick<PersonFields, 'title' | 'department'>)[],
  at: Date,
): Promise<void> {
  const rows = JSON.stringify(
    jobs.map((job) => ({
      id: uuidv7(),
      person_id: job.personId,
      company_id: job.companyId,
      title: job.title,
      department: job.department,
    })),
  );
  const wanted = `jsonb_to_recordset($2::jsonb) as now(id uuid, person_id uuid, company_id uuid, title text, department text)`;
  await manager.query(
    `delete from employment using ${wanted}
     where employment.workspace_id = $1 and employment.person_id = now.person_id and employment.ended_at is null
       and now.company_id is null and now.title = '' and now.department = ''`,
    [workspaceId, rows],
  );
  await manager.query(
    `update employment set company_id = now.company_id, title = now.title, department = now.department from ${wanted}
     where employment.workspace_id = $1 and employment.person_id = now.person_id and employment.ended_at is null`,
    [workspaceId, rows],
  );
  await manager.query(
    `insert into employment (id, workspace_id, person_id, company_id, title, department, started_at)
     select now.id, $1, now.person_id, now.company_id, now.title, now.department, $3 from ${wanted}
     where (now.company_id is not null or now.title <> '' or now.department <> '')
       and not exists (select from employment e where e.workspace_id = $1 and e.person_id = now.person_id and e.ended_at is null)`,
    [workspaceId, rows, at],
  );
}

export const writeOccasions = (
  manager: EntityManager,
  workspaceId: string,
  cards: readonly (readonly [cardId: string, occasionId: string | null])[],
): Promise<unknown> =>
  manager.query(
    `update card set occasion_id = now.occasion_id from unnest($2::uuid[], $3::uuid[]) as now(id, occasion_id)
     where card.workspace_id = $1 and card.id = now.id`,
    [workspaceId, cards.map(([id]) => id), cards.map(([, occasionId]) => occasionId)],
  );

/** The same note for many. @param notes pairs of note and person */
export const writeNotes = (
  manager: EntityManager,
  { workspaceId, accountId }: SignedIn,
  notes: readonly (readonly [noteId: string, personId: string])[],
  text: string,
  at: Date,
): Promise<unknown> =>
  manager.query(
    `insert into note (id, workspace_id, person_id, author_id, kind, text, at)
     select now.id, $1, now.person_id, $4, 'note', $5, $6 from unnest($2::uuid[], $3::uuid[]) as now(id, person_id)`,
    [workspaceId, notes.map(([id]) => id), notes.map(([, personId]) => personId), accountId, text, at],
  );

/** Takes back notes that nobody has changed since. */
export const dropNotes = (manager: EntityManager, workspaceId: string, ids: readonly string[]): Promise<unknown> =>
  manager.query('delete from note where workspace_id = $1 and id = any($2::uuid[]) and changed_at is null', [
    workspaceId,
    ids,
  ]);

/** What a plan is called that takes people; undefined where there is none. */
export async function nameOfPlan(
  manager: EntityManager,
  workspaceId: string,
  id: string,
): Promise<{ name: string; isOn: boolean } | undefined> {
  const [plan] = await manager.query<{ name: string; isOn: boolean }[]>(
    `select name, is_on and removed_at is null as "isOn" from plan where workspace_id = $1 and id = $2`,
    [workspaceId, id],
  );
  return plan;
}

/** Asks for people to be put into plans, or out of them again. @param wishes pairs of person and plan */
export const wishForPlans = (
  manager: EntityManager,
  { workspaceId, accountId }: SignedIn,
  wishes: readonly (readonly [personId: string, planId: string])[],
  begins: boolean,
): Promise<unknown> =>
  manager.query(
    `insert into plan_wish (id, workspace_id, plan_id, person_id, made_by, at, begins)
     select wish.id, $1, wish.plan_id, wish.person_id, $2, now(), $6
     from unnest($3::uuid[], $4::uuid[], $5::uuid[]) as wish(id, person_id, plan_id) join plan on plan.workspace_id = $1 and plan.id = wish.plan_id`,
    [workspaceId, accountId, wishes.map(() => uuidv7()), wishes.map(([personId]) => personId), wishes.map(([, planId]) => planId), begins], // prettier-ignore
  );

/** One line in the history of each. */
export const logEach = (
  manager: EntityManager,
  { workspaceId, accountId }: SignedIn,
  entries: readonly { personId: string; action: string; changes: readonly FieldChange[] }[],
  at: Date,
): Promise<unknown> =>
  manager.query(
    `insert into change_log (id, workspace_id, person_id, actor_id, card_id, action, changes, at)
     select now.id, $1, now.person_id, $2, null, now.action, now.changes, $4
     from jsonb_to_recordset($3::jsonb) as now(id uuid, person_id uuid, action text, changes jsonb)`,
    [
      workspaceId,
      accountId,
      JSON.stringify(
        entries.map(({ personId, action, changes }) => ({ id: uuidv7(), person_id: personId, action, changes })),
      ),
      at,
    ],
  );

export interface Outcome {
  personId: string;
  state: RowState;
  why?: LeftWhy;
  field?: string;
  before?: KeptState;
  after?: KeptState;
}

export const writeOutcomes = (
  manager: EntityManager,
  workspaceId: string,
  changeId: string,
  outcomes: readonly Outcome[],
): Promise<unknown> =>
  manager.query(
    `update people_change_row r set state = now.state, why = now.why, field = now.field,
       before = coalesce(now.before, r.before), after = coalesce(now.after, r.after)
     from jsonb_to_recordset($3::jsonb) as now(person_id uuid, state text, why text, field text, before jsonb, after jsonb)
     where r.workspace_id = $1 and r.change_id = $2 and r.person_id = now.person_id`,
    [
      workspaceId,
      changeId,
      JSON.stringify(outcomes.map(({ personId, ...rest }) => ({ person_id: personId, ...rest }))),
    ],
  );
