import type { LeadQuery, OpportunityQuery } from '@dossier/contract';
import type { LeadClosed } from '@dossier/core/people/changes';
import type { EntityManager } from 'typeorm';

/** One who changes a team's stages at a time. */
export const lockStages = (manager: EntityManager, workspaceId: string): Promise<unknown> =>
  manager.query(`select pg_advisory_xact_lock(hashtext('stages'), hashtext($1))`, [workspaceId]);

export interface OpportunityRow {
  id: string;
  title: string;
  company_id: string | null;
  company: string | null;
  stage_id: string;
  state: 'open' | 'won' | 'lost';
  value: number | null;
  currency: string;
  chance: number | null;
  expected_on: string | null;
  owner_id: string;
  owner: string;
  stage_since: Date;
  ended_at: Date | null;
  version: number;
  next_text: string | null;
  next_on: string | null;
  people: number;
}

/** A firm that was found to be another one is that one. */
const SHOWN = `
  select o.id, o.title, f.id as company_id, f.name as company, o.stage_id, o.state, o.value::float8 as value, o.currency, o.chance,
    o.expected_on::text, o.owner_id, a.name as owner, o.stage_since, o.ended_at, o.version, next.text as next_text, next.due_on::text as next_on,
    (select count(*)::int from opportunity_person r where r.workspace_id = $1 and r.opportunity_id = o.id) as people
  from opportunity o
  join account a on a.workspace_id = $1 and a.id = o.owner_id
  left join company f on f.workspace_id = $1 and f.id = company_now(o.company_id)
  left join lateral (select t.text, t.due_on from task t where t.workspace_id = $1 and t.opportunity_id = o.id and t.done_at is null
    order by t.due_on nulls last, t.made_at, t.id limit 1) next on true
  where o.workspace_id = $1`;

export interface Narrowed {
  owner: readonly string[];
  occasion: readonly string[];
  /** Of the people who have to do with it. */
  tag: readonly string[];
}
/** @param n place of the first of three parameters */
const narrowed = (n: number): string => `
  and (cardinality($${n}::uuid[]) = 0 or o.owner_id = any($${n}::uuid[]))
  and (cardinality($${n + 1}::uuid[]) = 0 or o.occasion_id = any($${n + 1}::uuid[]))
  and (cardinality($${n + 2}::text[]) = 0 or exists (select from opportunity_person r join person p on p.workspace_id = $1 and p.id = r.person_id
    where r.workspace_id = $1 and r.opportunity_id = o.id and p.deleted_at is null and p.tags && $${n + 2}::text[]))`;

export interface HopedRow {
  stage_id: string;
  currency: string;
  chance: number;
  count: number;
  value: string;
}

/** What is open, counted and added up by stage, currency and chance: sums of these are exact. */
export const hopedByStage = (
  manager: EntityManager,
  workspaceId: string,
  { owner, occasion, tag }: Narrowed,
): Promise<HopedRow[]> =>
  manager.query(
    `select o.stage_id, o.currency, coalesce(o.chance, s.chance) as chance, count(*)::int as count, coalesce(sum(o.value), 0)::text as value
     from opportunity o join stage s on s.workspace_id = $1 and s.id = o.stage_id
     where o.workspace_id = $1 and o.state = 'open' ${narrowed(2)} group by o.stage_id, o.currency, coalesce(o.chance, s.chance)`,
    [workspaceId, owner, occasion, tag],
  );

/** Of each stage the first so many that are open, by when they are expected. */
export const boardRows = (
  manager: EntityManager,
  workspaceId: string,
  { owner, occasion, tag }: Narrowed,
  most: number,
): Promise<OpportunityRow[]> =>
  manager.query(
    `${SHOWN} and o.id in (
       select id from (select o.id, row_number() over (partition by o.stage_id order by coalesce(o.expected_on, 'infinity'), o.id) as place
         from opportunity o where o.workspace_id = $1 and o.state = 'open' ${narrowed(2)}) ranked where place <= $5)
     order by coalesce(o.expected_on, 'infinity'), o.id`,
    [workspaceId, owner, occasion, tag, most],
  );

export const opportunityRow = async (
  manager: EntityManager,
  workspaceId: string,
  id: string,
): Promise<OpportunityRow | undefined> =>
  (await manager.query<OpportunityRow[]>(`${SHOWN} and o.id = $2`, [workspaceId, id]))[0];

/** What lists of business are ordered by, as text or number, and which way. */
const ORDERS: Record<OpportunityQuery['sort'], { by: string; type: string; backwards?: true }> = {
  expected: { by: `coalesce(case when o.state = 'open' then o.expected_on else o.ended_at::date end, 'infinity')`, type: 'date' }, // prettier-ignore
  value: { by: 'coalesce(o.value, -1)', type: 'numeric', backwards: true },
  since: { by: 'o.stage_since', type: 'timestamptz' },
  title: { by: 'folded(o.title)', type: 'text' },
};

type Listed = Pick<OpportunityQuery, 'q' | 'state' | 'stage' | 'companyId' | 'personId' | 'from' | 'to'> & Narrowed;
const listed = ({ owner, occasion, tag, q, state, stage, companyId, personId, from, to }: Listed): unknown[] =>
  [owner, occasion, tag, q, state, stage, companyId ?? null, personId ?? null, from ?? null, to ?? null]; // prettier-ignore
const LISTED = `${narrowed(2)}
  and ($5 = '' or strpos(folded(o.title), folded($5)) > 0 or exists (select from company c where c.workspace_id = $1 and c.id = company_now(o.company_id) and strpos(folded(c.name), folded($5)) > 0))
  and (cardinality($6::text[]) = 0 or o.state = any($6::text[])) and (cardinality($7::uuid[]) = 0 or o.stage_id = any($7::uuid[]))
  and ($8::uuid is null or company_now(o.company_id) = $8)
  and ($9::uuid is null or exists (select from opportunity_person r where r.workspace_id = $1 and r.opportunity_id = o.id and r.person_id = $9))
  and ($10::date is null or coalesce(o.ended_at::date, o.expected_on) >= $10) and ($11::date is null or coalesce(o.ended_at::date, o.expected_on) <= $11)`;

/** A page of business. @param after place behind which it begins, as the rows' own `place` */
export function opportunityRows(
  manager: EntityManager,
  workspaceId: string,
  query: Listed & Pick<OpportunityQuery, 'sort'>,
  after: readonly [place: string, id: string] | null,
  limit: number,
): Promise<(OpportunityRow & { place: string })[]> {
  const { by, type, backwards } = ORDERS[query.sort];
  const [way, order] = backwards ? ['<', 'desc'] : ['>', 'asc'];
  // What is shown of each is looked up only for those of the page.
  return manager.query(
    `with page as materialized (
       select o.id, (${by})::text as place, row_number() over (order by ${by} ${order}, o.id ${order}) as nth from opportunity o where o.workspace_id = $1 ${LISTED}
         ${after ? `and (${by}, o.id) ${way} ($13::${type}, $14::uuid)` : ''} order by ${by} ${order}, o.id ${order} limit $12)
     select shown.*, page.place from page join lateral (${SHOWN} and o.id = page.id) shown on true order by page.nth`,
    [workspaceId, ...listed(query), limit, ...(after ?? [])],
  );
}

/** How many a list has, and what they are worth: certain for what is over. */
export const listedSums = (
  manager: EntityManager,
  workspaceId: string,
  query: Listed,
): Promise<{ currency: string; chance: number; count: number; value: string }[]> =>
  manager.query(
    `select o.currency, case o.state when 'won' then 100 when 'lost' then 0 else coalesce(o.chance, s.chance) end as chance, count(*)::int as count,
       coalesce(sum(o.value), 0)::text as value
     from opportunity o join stage s on s.workspace_id = $1 and s.id = o.stage_id where o.workspace_id = $1 ${LISTED} group by 1, 2`,
    [workspaceId, ...listed(query)],
  );

/** Who has to do with a piece of business. */
export const opportunityPeople = (
  manager: EntityManager,
  workspaceId: string,
  id: string,
): Promise<{ person_id: string; full_name: string; title: string | null; company: string | null; part: string }[]> =>
  manager.query(
    `select p.id as person_id, p.full_name, job.title, job.company, r.part from opportunity_person r
     join person p on p.workspace_id = $1 and p.id = r.person_id and p.deleted_at is null
     left join lateral (select e.title, c.name as company from employment e left join company c on c.workspace_id = $1 and c.id = e.company_id
       where e.workspace_id = $1 and e.person_id = p.id and e.ended_at is null limit 1) job on true
     where r.workspace_id = $1 and r.opportunity_id = $2 order by array_position('{decides,signs,advises,uses}', r.part), p.sort_name, p.id`,
    [workspaceId, id],
  );

export interface LeadRow {
  id: string;
  version: number;
  full_name: string;
  given_name: string;
  family_name: string;
  title: string | null;
  company_id: string | null;
  company: string | null;
  card_id: string | null;
  email: string | null;
  phone: string | null;
  owner_id: string;
  owner: string;
  rating: string | null;
  lead_status: string | null;
  closed: LeadClosed | null;
  created_at: Date;
  touched_at: Date;
  next_text: string | null;
  next_on: string | null;
  note: string | null;
  place: string;
}

const LEAD_ORDERS: Record<LeadQuery['sort'], { by: string; type: string }> = {
  untouched: { by: 'touched.at', type: 'timestamptz' },
  next: { by: `coalesce(next.due_on, 'infinity')`, type: 'date' },
  filed: { by: 'p.created_at', type: 'timestamptz' },
  name: { by: 'p.sort_name', type: 'text' },
};

/** What was done last about somebody: their history says it, whatever it was. */
const TOUCHED = `join lateral (select coalesce(max(l.at), p.created_at) as at from change_log l where l.workspace_id = $1 and l.person_id = p.id) touched on true`;
const NEXT = `left join lateral (select t.text, t.due_on from task t where t.workspace_id = $1 and t.person_id = p.id and t.done_at is null
    order by t.due_on nulls last, t.made_at, t.id limit 1) next on true`;
/** What an order looks at of everybody; the rest is only looked for of those who are shown. */
const LOOKED_AT: Partial<Record<LeadQuery['sort'], string>> = { untouched: TOUCHED, next: NEXT };
const LEADS = `
  where p.workspace_id = $1 and p.kind = 'lead' and p.deleted_at is null and (p.closed is not null) = $2
    and (cardinality($3::uuid[]) = 0 or p.owner_id = any($3::uuid[]))
    and (cardinality($4::uuid[]) = 0 or exists (select from card k where k.workspace_id = $1 and k.person_id = p.id and k.occasion_id = any($4::uuid[])))
    and (cardinality($5::text[]) = 0 or coalesce(p.lead_status, '') = any($5::text[])) and (cardinality($6::text[]) = 0 or coalesce(p.rating, '') = any($6::text[]))`;
const leadsOf = ({ state, owner, occasion, status, rating }: LeadQuery): unknown[] =>
  [state === 'closed', owner, occasion, status, rating]; // prettier-ignore

/** Leads to work through. @param after place behind which the page begins */
export function leadRows(
  manager: EntityManager,
  workspaceId: string,
  query: LeadQuery,
  after: readonly [place: string, id: string] | null,
  limit: number,
): Promise<LeadRow[]> {
  const { by, type } = LEAD_ORDERS[query.sort];
  return manager.query(
    `with page as (
       select p.id, (${by})::text as place, row_number() over (order by ${by}, p.id) as nth
       from person p ${LOOKED_AT[query.sort] ?? ''} ${LEADS} ${after ? `and (${by}, p.id) > ($8::${type}, $9::uuid)` : ''}
       order by ${by}, p.id limit $7)
     select p.id, p.version, p.full_name, p.given_name, p.family_name, p.owner_id, p.rating, p.lead_status, p.closed, p.created_at,
       touched.at as touched_at, next.text as next_text, next.due_on::text as next_on, page.place, a.name as owner, job.title, job.company_id, job.company,
       (select k.id from card k where k.workspace_id = $1 and k.person_id = page.id and k.file_id is not null order by k.taken_at desc limit 1) as card_id,
       (select value from contact_point t where t.workspace_id = $1 and t.person_id = page.id and t.kind = 'email' order by position limit 1) as email,
       (select value from contact_point t where t.workspace_id = $1 and t.person_id = page.id and t.kind = 'phone' order by phone_kind = 'fax', position limit 1) as phone,
       (select text from note n where n.workspace_id = $1 and n.person_id = page.id and n.text <> '' order by n.at desc limit 1) as note
     from page join person p on p.workspace_id = $1 and p.id = page.id join account a on a.workspace_id = $1 and a.id = p.owner_id
     ${TOUCHED} ${NEXT}
     left join lateral (select e.title, e.company_id, c.name as company from employment e left join company c on c.workspace_id = $1 and c.id = e.company_id
       where e.workspace_id = $1 and e.person_id = page.id and e.ended_at is null limit 1) job on true
     order by page.nth`,
    [workspaceId, ...leadsOf(query), limit, ...(after ?? [])],
  );
}

export async function countLeads(manager: EntityManager, workspaceId: string, query: LeadQuery): Promise<number> {
  const [row] = await manager.query<{ leads: number }[]>(`select count(*)::int as leads from person p ${LEADS}`, [
    workspaceId,
    ...leadsOf(query),
  ]);
  return row!.leads;
}

/** What was done with something since it was made, besides making it. */
export async function isWorkedOn(manager: EntityManager, workspaceId: string, opportunityId: string): Promise<boolean> {
  const [row] = await manager.query<{ worked: boolean }[]>(
    `select exists (select from opportunity_act where workspace_id = $1 and opportunity_id = $2 and kind <> 'made')
       or exists (select from opportunity_note where workspace_id = $1 and opportunity_id = $2)
       or exists (select from opportunity_file where workspace_id = $1 and opportunity_id = $2) as worked`,
    [workspaceId, opportunityId],
  );
  return row!.worked;
}

/** Where somebody was met last. */
export async function lastOccasion(
  manager: EntityManager,
  workspaceId: string,
  personId: string,
): Promise<string | null> {
  const [row] = await manager.query<{ id: string }[]>(
    `select occasion_id as id from card where workspace_id = $1 and person_id = $2 and occasion_id is not null order by taken_at desc, id limit 1`,
    [workspaceId, personId],
  );
  return row?.id ?? null;
}

export interface TakenRow {
  id: string;
  version: number;
  title: string;
  company_id: string | null;
  company: string | null;
  value: number | null;
  currency: string;
  expected_on: string | null;
  chance: number | null;
  stage: string;
  about: string[];
  owner: string;
  owner_id: string;
  occasion_id: string | null;
  occasion: string | null;
  state: 'open' | 'won' | 'lost';
  ended_at: Date | null;
  end_reason: string | null;
  people: { id: string; name: string; part: string }[];
}

/** Whole ones, with the names of what they name, in the order of the ids. */
export const takenRows = (manager: EntityManager, workspaceId: string, ids: readonly string[]): Promise<TakenRow[]> =>
  manager.query(
    `select o.id, o.version, o.title, f.id as company_id, f.name as company, o.value::float8 as value, o.currency, o.expected_on::text, o.chance, s.name as stage,
       o.about, a.name as owner, o.owner_id, o.occasion_id, c.name as occasion, o.state, o.ended_at, o.end_reason,
       coalesce((select jsonb_agg(jsonb_build_object('id', p.id, 'name', p.full_name, 'part', r.part) order by p.sort_name, p.id) from opportunity_person r
         join person p on p.workspace_id = $1 and p.id = r.person_id and p.deleted_at is null where r.workspace_id = $1 and r.opportunity_id = o.id), '[]') as people
     from unnest($2::uuid[]) with ordinality asked(id, nth) join opportunity o on o.workspace_id = $1 and o.id = asked.id
     join stage s on s.workspace_id = $1 and s.id = o.stage_id join account a on a.workspace_id = $1 and a.id = o.owner_id
     left join company f on f.workspace_id = $1 and f.id = company_now(o.company_id) left join occasion c on c.workspace_id = $1 and c.id = o.occasion_id
     order by asked.nth`,
    [workspaceId, ids],
  );

/** What is open and what was won at each of these firms, in each currency. */
export const businessOfFirms = (
  manager: EntityManager,
  workspaceId: string,
  companyIds: readonly string[],
): Promise<{ company_id: string; state: 'open' | 'won'; currency: string; count: number; value: number }[]> =>
  manager.query(
    `select company_id, state, currency, count(*)::int as count, coalesce(sum(value), 0)::float8 as value from opportunity
     where workspace_id = $1 and company_id = any($2::uuid[]) and state in ('open', 'won') group by 1, 2, 3 order by 3`,
    [workspaceId, companyIds],
  );

/** What is open of one colleague's is another's; what is over stays whose it was. @returns how many */
export async function handOverBusiness(
  manager: EntityManager,
  workspaceId: string,
  { from, to }: { from: string; to: string },
  by: string,
): Promise<number> {
  const [row] = await manager.query<{ moved: number }[]>(
    `with moved as (update opportunity set owner_id = $3, version = version + 1, changed_at = now()
         where workspace_id = $1 and owner_id = $2 and state = 'open' returning id, stage_id, state, value, currency),
     told as (insert into opportunity_act (id, workspace_id, opportunity_id, at, actor_id, kind, stage_id, state, value, currency, changes)
       select gen_random_uuid(), $1, m.id, now(), $4, 'changed', m.stage_id, m.state, m.value, m.currency,
         jsonb_build_array(jsonb_build_object('field', 'owner', 'before', one.name, 'after', other.name))
       from moved m, account one, account other where one.workspace_id = $1 and one.id = $2 and other.workspace_id = $1 and other.id = $3)
     select count(*)::int as moved from moved`,
    [workspaceId, from, to, by],
  );
  return row!.moved;
}
