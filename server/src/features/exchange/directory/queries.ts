import type { FirmOffer, Offer, PersonOffer } from '@dossier/core/exchange/directory';
import type { EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import type { FindingRecord } from './entities';

/** Puts those who were chosen into a look-up, in their order. */
export const addChosen = (manager: EntityManager, workspaceId: string, lookUpId: string): Promise<unknown> =>
  manager.query(
    `insert into looked_up (look_up_id, person_id, workspace_id, nth, state)
     select $2, p.id, $1, c.place, 'waiting' from chosen c join person p on p.workspace_id = $1 and p.id = c.person_id and p.deleted_at is null`,
    [workspaceId, lookUpId],
  );

export interface LookUpCounts {
  total: number;
  done: number;
  found: number;
  failed: number;
  /** How many of the last ones failed, one after the other. */
  in_a_row: number;
}

export async function lookUpCounts(manager: EntityManager, workspaceId: string, id: string): Promise<LookUpCounts> {
  const [row] = await manager.query<[LookUpCounts]>(
    `select count(*)::int as total, count(*) filter (where state <> 'waiting')::int as done, count(*) filter (where state = 'found')::int as found,
       count(*) filter (where state = 'failed')::int as failed,
       count(*) filter (where state = 'failed' and nth > coalesce((select max(nth) from looked_up where workspace_id = $1 and look_up_id = $2 and state in ('found', 'nothing')), 0))::int as in_a_row
     from looked_up where workspace_id = $1 and look_up_id = $2`,
    [workspaceId, id],
  );
  return row;
}

/** Domains of the addresses of a firm's people, the most common first. */
export const domainsOfFirm = async (manager: EntityManager, workspaceId: string, companyId: string): Promise<string[]> =>
  (
    await manager.query<{ domain: string }[]>(
      `select lower(split_part(t.value, '@', 2)) as domain from employment e join contact_point t on t.workspace_id = $1 and t.person_id = e.person_id and t.kind = 'email'
       where e.workspace_id = $1 and e.company_id = $2 and e.ended_at is null and t.value like '%@%' group by 1 order by count(*) desc, 1 limit 3`,
      [workspaceId, companyId],
    )
  ).map(({ domain }) => domain); // prettier-ignore

/**
 * What a directory offers of somebody, or a firm, in place of what it offered before. What somebody has said no to, or taken, stays so.
 */
export async function keepOffers(
  manager: EntityManager,
  workspaceId: string,
  of: { personId: string } | { companyId: string },
  offers: readonly Offer<PersonOffer | FirmOffer>[],
  source: string,
): Promise<void> {
  const [column, subjectId] = 'personId' in of ? ['person_id', of.personId] : ['company_id', of.companyId];
  await manager.query(`delete from finding where workspace_id = $1 and ${column} = $2 and state = 'offered'`, [workspaceId, subjectId]); // prettier-ignore
  await manager.query(
    `insert into finding (id, workspace_id, ${column}, field, value, source, found_at, state)
     select new.id, $1, $2, new.field, new.value, $3, now(), 'offered' from unnest($4::uuid[], $5::text[], $6::text[]) as new(id, field, value)
     on conflict (${column}, field, md5(value)) do nothing`,
    [
      workspaceId,
      subjectId,
      source,
      offers.map(() => uuidv7()),
      offers.map(({ field }) => field),
      offers.map(({ value }) => value),
    ],
  );
}

export const tellAsked = (
  manager: EntityManager,
  workspaceId: string,
  of: { personId: string } | { companyId: string },
  problem: string | null,
): Promise<unknown> =>
  manager.query(
    `insert into directory_asked (workspace_id, subject_id, ${'personId' in of ? 'person_id' : 'company_id'}, at, problem) values ($1, $2, $2, now(), $3)
     on conflict (subject_id) do update set at = excluded.at, problem = excluded.problem`,
    [workspaceId, 'personId' in of ? of.personId : of.companyId, problem],
  );

export interface FoundRow {
  person_id: string;
  full_name: string;
  company: string | null;
  asked_at: Date | null;
  problem: string | null;
}

/** People of whom, or of whose firm, something is offered, or one of them; by their ids. */
export const peopleWithOffers = (
  manager: EntityManager,
  workspaceId: string,
  { personId, after, limit }: { personId?: string; after?: string; limit: number },
): Promise<FoundRow[]> =>
  manager.query(
    `select p.id as person_id, p.full_name, job.company, asked.at as asked_at, coalesce(asked.problem, firm.problem) as problem
     from person p
       left join lateral (select e.company_id, c.name as company from employment e left join company c on c.workspace_id = $1 and c.id = e.company_id
         where e.workspace_id = $1 and e.person_id = p.id and e.ended_at is null limit 1) job on true
       left join directory_asked asked on asked.workspace_id = $1 and asked.subject_id = p.id
       left join directory_asked firm on firm.workspace_id = $1 and firm.subject_id = job.company_id
     where p.workspace_id = $1 and p.deleted_at is null and ($2::uuid is null or p.id = $2) and ($3::uuid is null or p.id > $3)
       and ($2::uuid is not null or p.id in (select person_id from finding where workspace_id = $1 and state = 'offered' and person_id is not null
         union select e.person_id from finding f join employment e on e.workspace_id = $1 and e.company_id = f.company_id and e.ended_at is null
           join looked_up u on u.workspace_id = $1 and u.person_id = e.person_id where f.workspace_id = $1 and f.state = 'offered'))
     order by p.id limit $4`,
    [workspaceId, personId ?? null, after ?? null, limit],
  );

export type OfferRow = Pick<FindingRecord, 'id' | 'field' | 'value' | 'source'> & {
  of_person: string;
  is_firm: boolean;
  found_at: Date;
  /** What was taken of the firm before, where that would be replaced. */
  instead: string | null;
};

/** What is offered of these people and their firms. */
export const offersOf = (manager: EntityManager, workspaceId: string, personIds: readonly string[]): Promise<OfferRow[]> =>
  manager.query(
    `select f.id, f.field, f.value, f.source, f.found_at, f.person_id as of_person, false as is_firm, null as instead
     from finding f where f.workspace_id = $1 and f.state = 'offered' and f.person_id = any($2::uuid[])
     union all select f.id, f.field, f.value, f.source, f.found_at, e.person_id, true,
       (select t.value from finding t where t.workspace_id = $1 and t.company_id = f.company_id and t.field = f.field and t.state = 'taken' and f.field <> 'website' order by t.settled_at desc limit 1)
     from finding f join employment e on e.workspace_id = $1 and e.company_id = f.company_id and e.ended_at is null
     where f.workspace_id = $1 and f.state = 'offered' and e.person_id = any($2::uuid[]) order by 6, 7, 2, 3`,
    [workspaceId, personIds],
  ); // prettier-ignore

export interface FactRow {
  id: string;
  field: FirmOffer;
  value: string;
  source: string;
  found_at: Date;
  by: string | null;
}

/** What was taken of a firm, and of those that were found to be it. */
export const factsOfFirm = (manager: EntityManager, workspaceId: string, companyId: string): Promise<FactRow[]> =>
  manager.query(
    `select f.id, f.field, f.value, f.source, f.found_at, a.name as by from finding f left join account a on a.workspace_id = $1 and a.id = f.settled_by
     where f.workspace_id = $1 and f.state = 'taken' and f.company_id is not null and company_now(f.company_id) = $2
     order by array_position('{industry,size,founded,phone,address,website}', f.field), f.settled_at`,
    [workspaceId, companyId],
  );
