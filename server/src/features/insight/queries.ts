import type { PersonSource } from '@dossier/contract';
import type { EntityManager } from 'typeorm';

/** Room to put many rows in order in memory, for this transaction alone. */
export const takeRoom = (manager: EntityManager): Promise<unknown> =>
  manager.query(`select set_config('work_mem', '64MB', true)`);

/** Cards of an occasion, without backs and what was thrown away. */
const CARDS = `card k where k.workspace_id = $1 and k.occasion_id = $2 and k.front_card_id is null and k.state <> 'discarded'`;

export const cardsByHour = (
  manager: EntityManager,
  workspaceId: string,
  occasionId: string,
  timeZone: string,
): Promise<{ day: string; hour: number; cards: number }[]> =>
  manager.query(
    `select to_char(k.taken_at at time zone $3, 'YYYY-MM-DD') as day, extract(hour from k.taken_at at time zone $3)::int as hour, count(*)::int as cards
     from ${CARDS} group by 1, 2 order by 1, 2`,
    [workspaceId, occasionId, timeZone],
  );

export interface BroughtRow {
  /** Null for all together. */
  made_by: string | null;
  name: string | null;
  cards: number;
  in_tray: number;
  people: number;
  leads: number;
  qualified: number;
  closed: number;
}

/** What cards of an occasion have become, by who photographed them, and together: whoever has several cards counts once. */
export const broughtBy = (manager: EntityManager, workspaceId: string, occasionId: string): Promise<BroughtRow[]> =>
  manager.query(
    `select case when grouping(k.made_by) = 1 then null else k.made_by end as made_by, max(a.name) as name, grouping(k.made_by) = 1 as together,
       count(*)::int as cards, count(*) filter (where k.state in ('toProve', 'needsPerson', 'setAside'))::int as in_tray,
       count(distinct p.id)::int as people, count(distinct p.id) filter (where p.kind = 'lead' or p.qualified_at is not null)::int as leads,
       count(distinct p.id) filter (where p.kind = 'contact' and p.qualified_at is not null)::int as qualified,
       count(distinct p.id) filter (where p.closed is not null)::int as closed
     from card k left join person p on p.workspace_id = $1 and p.id = k.person_id and p.deleted_at is null
     left join account a on a.workspace_id = $1 and a.id = k.made_by
     where k.workspace_id = $1 and k.occasion_id = $2 and k.front_card_id is null and k.state <> 'discarded'
     group by grouping sets ((), (k.made_by)) order by together desc, people desc, name`,
    [workspaceId, occasionId],
  );

export interface WorthRow {
  state: 'open' | 'won' | 'lost';
  currency: string;
  chance: number;
  number: number;
  value: string;
}

export const worthOfOccasion = (manager: EntityManager, workspaceId: string, occasionId: string): Promise<WorthRow[]> =>
  manager.query(
    `select o.state, o.currency, case o.state when 'won' then 100 when 'lost' then 0 else coalesce(o.chance, s.chance) end as chance,
       count(*)::int as number, coalesce(sum(o.value), 0)::text as value
     from opportunity o join stage s on s.workspace_id = $1 and s.id = o.stage_id
     where o.workspace_id = $1 and o.occasion_id = $2 group by 1, 2, 3`,
    [workspaceId, occasionId],
  );

/** Who was filed between two days where the team is. @see figures */
export interface Range {
  from: string;
  to: string;
  owner: readonly string[];
  occasion: readonly string[];
  timeZone: string;
}
const LISTED = `l.workspace_id = $1
  and l.filed_at >= ($2::date)::timestamp at time zone $4 and l.filed_at < ($3::date + 1)::timestamp at time zone $4
  and (cardinality($5::uuid[]) = 0 or l.owner_id = any($5::uuid[]))
  and (cardinality($6::uuid[]) = 0 or l.occasions && $6::uuid[])`;
const range = (workspaceId: string, { from, to, owner, occasion, timeZone }: Range): unknown[] =>
  [workspaceId, from, to, timeZone, owner, occasion]; // prettier-ignore

type Quarters = [number, number, number] | null;
export interface SpeedRow {
  week: string | null;
  owner_id: string | null;
  name: string | null;
  people: number;
  filed: Quarters;
  filed_n: number;
  written: Quarters;
  written_n: number;
  answered: Quarters;
  answered_n: number;
  qualified: Quarters;
  qualified_n: number;
}

/** The lowest time that a quarter, half or three quarters stay within. Whole seconds are put in order sooner than parts of them. */
const quarters = (name: string): string =>
  `percentile_disc(array[0.25, 0.5, 0.75]) within group (order by ${name}) filter (where ${name} >= 0) as ${name}, count(*) filter (where ${name} >= 0)::int as ${name}_n`;
const STEPS = [
  ['filed', 'card_filed_at'],
  ['written', 'written_at'],
  ['answered', 'answered_at'],
  ['qualified', 'qualified_at'],
] as const;
/** Not `extract`, which counts in decimals: that takes several times as long. */
const since = ([name, at]: readonly [string, string]): string => `date_part('epoch', l.${at} - coalesce(l.met_at, l.filed_at))::int as ${name}`; // prettier-ignore
/** The weeks of a range as moments where the team is: to find somebody's among them is quicker than to work it out for each. */
const WEEKS = `array(select week at time zone $4 from generate_series(date_trunc('week', ($2::date)::timestamp), ($3::date)::timestamp, interval '7 days') week)`; // prettier-ignore

/** How long it took from the card, or the record of whoever has none, to each step in seconds; together, by week, by owner. */
export const speedRows = (manager: EntityManager, workspaceId: string, of: Range): Promise<SpeedRow[]> =>
  manager.query(
    `with took as (select width_bucket(l.filed_at, ${WEEKS}) as week, l.owner_id, ${STEPS.map(since).join(', ')} from person_listing l where ${LISTED}),
     counted as (select week, owner_id, count(*)::int as people, ${STEPS.map(([name]) => quarters(name)).join(', ')} from took group by grouping sets ((), (week), (owner_id)))
     select to_char(date_trunc('week', ($2::date)::timestamp) + (t.week - 1) * interval '7 days', 'YYYY-MM-DD') as week, t.owner_id, a.name, ${STEPS.map(([name]) => `${name}, ${name}_n`).join(', ')}, people
     from counted t left join account a on a.workspace_id = $1 and a.id = t.owner_id order by t.week nulls first, a.name`,
    range(workspaceId, of),
  );

export interface ReachedRow {
  owner_id: string | null;
  name: string | null;
  occasion_id: string | null;
  occasion: string | null;
  source: PersonSource | null;
  by: 'all' | 'owner' | 'occasion' | 'source';
  reached: string;
  open: number;
  closed: number;
}

/**
 * How far whoever is or was a lead has come, as lists are narrowed by it; by owner, by how they came, and by where they were met: whoever was
 * met in two places counts in both.
 */
export const reachedRows = (manager: EntityManager, workspaceId: string, of: Range): Promise<ReachedRow[]> =>
  manager.query(
    `with told as materialized (select l.owner_id, l.source, l.occasions, l.reached, count(*) filter (where l.closed_why is null) as open, count(l.closed_why) as closed
       from person_listing l where ${LISTED} and l.reached is not null group by l.owner_id, l.source, l.occasions, l.reached),
     counted as (
       select owner_id, null::uuid as occasion_id, source, reached, case when grouping(owner_id) = 0 then 'owner' when grouping(source) = 0 then 'source' else 'all' end as by,
         sum(open)::int as open, sum(closed)::int as closed
       from told group by grouping sets ((reached), (reached, owner_id), (reached, source))
       union all select null, met.occasion_id, null, reached, 'occasion', sum(open)::int, sum(closed)::int
       from told left join lateral unnest(told.occasions) met(occasion_id) on true group by met.occasion_id, reached)
     select t.*, a.name, o.name as occasion
     from counted t left join account a on a.workspace_id = $1 and a.id = t.owner_id left join occasion o on o.workspace_id = $1 and o.id = t.occasion_id`,
    range(workspaceId, of),
  );

export const closeReasons = (
  manager: EntityManager,
  workspaceId: string,
  of: Range,
): Promise<{ reason: string; number: number }[]> =>
  manager.query(
    `select l.closed_why as reason, count(*)::int as number from person_listing l where ${LISTED} and l.closed_why is not null group by 1 order by 2 desc, 1`,
    range(workspaceId, of),
  );

const FACTS = `f.workspace_id = $1 and f.at >= ($2::date)::timestamp at time zone $4 and f.at < ($3::date + 1)::timestamp at time zone $4
  and (cardinality($5::uuid[]) = 0 or k.made_by = any($5::uuid[])) and (cardinality($6::uuid[]) = 0 or k.occasion_id = any($6::uuid[]))`;
const FROM_FACTS = `from proof_fact f join card k on k.workspace_id = $1 and k.id = f.card_id where ${FACTS}`;

export const readingByWeek = (
  manager: EntityManager,
  workspaceId: string,
  of: Range,
): Promise<{ week: string; cards: number; doubts: number; untouched: number; by_itself: number }[]> =>
  manager.query(
    `select to_char(date_trunc('week', f.at at time zone $4), 'YYYY-MM-DD') as week, count(*)::int as cards, sum(f.doubts)::int as doubts,
       count(*) filter (where cardinality(f.corrected) + cardinality(f.missed) = 0)::int as untouched, count(*) filter (where f.by_itself)::int as by_itself
     ${FROM_FACTS} group by 1 order by 1`,
    range(workspaceId, of),
  );

export const correctedFields = (
  manager: EntityManager,
  workspaceId: string,
  of: Range,
): Promise<{ field: string; corrected: number; missed: number }[]> =>
  manager.query(
    `select field, sum(corrected)::int as corrected, sum(missed)::int as missed from (
       select unnest(f.corrected) as field, 1 as corrected, 0 as missed ${FROM_FACTS}
       union all select unnest(f.missed), 0, 1 ${FROM_FACTS}) t group by field order by sum(corrected) + sum(missed) desc, field`,
    range(workspaceId, of),
  );

export const firmsWithHands = (
  manager: EntityManager,
  workspaceId: string,
  of: Range,
): Promise<{ company_id: string; name: string; cards: number; corrected: number }[]> =>
  manager.query(
    `select c.id as company_id, c.name, sum(cards)::int as cards, sum(corrected)::int as corrected from (
       select f.company_id, count(*) as cards, sum(cardinality(f.corrected) + cardinality(f.missed)) as corrected ${FROM_FACTS}
         and f.company_id is not null group by f.company_id) t
     join company c on c.workspace_id = $1 and c.id = company_now(t.company_id) group by c.id, c.name
     having sum(corrected) > 0 order by sum(corrected) desc, c.name limit 12`,
    range(workspaceId, of),
  );

/** Cards that were of somebody known, and records that were brought together. */
export async function duplicatesAvoided(
  manager: EntityManager,
  workspaceId: string,
  of: Range,
): Promise<{ known: number; merged: number }> {
  const [row] = await manager.query<[{ known: number; merged: number }]>(
    `select (select count(*)::int from filing_receipt r join card k on k.workspace_id = $1 and k.id = r.card_id
        where r.workspace_id = $1 and r.outcome <> 'created' and r.at >= ($2::date)::timestamp at time zone $4 and r.at < ($3::date + 1)::timestamp at time zone $4
          and (cardinality($5::uuid[]) = 0 or k.made_by = any($5::uuid[])) and (cardinality($6::uuid[]) = 0 or k.occasion_id = any($6::uuid[]))) as known,
      (select count(*)::int from merge m where m.workspace_id = $1 and m.undone_at is null and m.at >= ($2::date)::timestamp at time zone $4
        and m.at < ($3::date + 1)::timestamp at time zone $4 and (cardinality($5::uuid[]) = 0 or m.by = any($5::uuid[])) and cardinality($6::uuid[]) >= 0) as merged`,
    range(workspaceId, of),
  );
  return row;
}

/** By owner: who was never written to though there is an address, whose answer nobody has read, what is late. */
export const owedRows = (
  manager: EntityManager,
  workspaceId: string,
  day: string,
): Promise<{ owner_id: string; name: string; never_written: number; unread: number; late: number }[]> =>
  manager.query(
    `select a.id as owner_id, a.name, coalesce(n.number, 0)::int as never_written, coalesce(u.number, 0)::int as unread, coalesce(t.number, 0)::int as late
     from account a
     left join (select l.owner_id, count(*) as number from person_listing l where l.workspace_id = $1 and l.written_at is null
       and exists (select from contact_point c where c.workspace_id = $1 and c.person_id = l.person_id and c.kind = 'email') group by 1) n on n.owner_id = a.id
     left join (select p.owner_id, count(*) as number from message m join person p on p.workspace_id = $1 and p.id = m.person_id and p.deleted_at is null
       where m.workspace_id = $1 and m.direction = 'in' and m.read_at is null group by 1) u on u.owner_id = a.id
     left join (select t.owner_id, count(*) as number from task t where t.workspace_id = $1 and t.done_at is null and t.due_on < $2::date group by 1) t on t.owner_id = a.id
     where a.workspace_id = $1 and (a.out_of_use_at is null or n.number > 0 or u.number > 0 or t.number > 0) order by a.name, a.id`,
    [workspaceId, day],
  );

export const lateTasks = (
  manager: EntityManager,
  workspaceId: string,
  day: string,
  owners: readonly string[],
): Promise<
  {
    id: string;
    text: string;
    due_on: string;
    owner: string;
    person_id: string | null;
    full_name: string | null;
    opportunity_id: string | null;
    title: string | null;
  }[]
> =>
  // prettier-ignore
  manager.query(
    `select t.id, t.text, t.due_on::text, a.name as owner, p.id as person_id, p.full_name, o.id as opportunity_id, o.title from task t
     join account a on a.workspace_id = $1 and a.id = t.owner_id
     left join person p on p.workspace_id = $1 and p.id = t.person_id left join opportunity o on o.workspace_id = $1 and o.id = t.opportunity_id
     where t.workspace_id = $1 and t.done_at is null and t.due_on < $2::date and (p.id is null or p.deleted_at is null)
       and (cardinality($3::uuid[]) = 0 or t.owner_id = any($3::uuid[])) order by t.due_on, t.id limit 50`,
    [workspaceId, day, owners],
  );

export interface ComingRow {
  month: string | null;
  state: 'open' | 'won';
  currency: string;
  chance: number;
  number: number;
  value: string;
}

/** What is open by the month in which it is expected, and what was won by the month in which it was. */
export const comingRows = (
  manager: EntityManager,
  workspaceId: string,
  day: string,
  owners: readonly string[],
  timeZone: string,
): Promise<ComingRow[]> =>
  manager.query(
    `select case when o.state = 'won' then to_char(o.ended_at at time zone $4, 'YYYY-MM') else to_char(o.expected_on, 'YYYY-MM') end as month, o.state, o.currency,
       case o.state when 'won' then 100 else coalesce(o.chance, s.chance) end as chance, count(*)::int as number, coalesce(sum(o.value), 0)::text as value
     from opportunity o join stage s on s.workspace_id = $1 and s.id = o.stage_id
     where o.workspace_id = $1 and (o.state = 'open' or (o.state = 'won' and o.ended_at >= (date_trunc('month', $2::date) - interval '5 months') at time zone $4))
       and (cardinality($3::uuid[]) = 0 or o.owner_id = any($3::uuid[])) group by 1, 2, 3, 4`,
    [workspaceId, day, owners, timeZone],
  );
