import type { NextStep, TagList } from '@dossier/contract';
import type { FrequencyTable } from '@dossier/core/matching/people';
import type { FieldChange, PersonFields, PhoneEntry } from '@dossier/core/people';
import type { EntityManager } from 'typeorm';
import type { SignedIn } from '../../platform/session';
import type { Person } from './entities';

/** @returns ids of the people who have another owner now */
export async function setOwners(
  manager: EntityManager,
  workspaceId: string,
  from: string,
  to: string,
  at: Date,
): Promise<string[]> {
  const [rows] = await manager.query<[{ id: string }[], number]>(
    `with own as (select id from person where workspace_id = $1 and owner_id = $2 order by id for no key update)
     update person set owner_id = $3, version = version + 1, updated_at = $4
     from own where person.workspace_id = $1 and person.id = own.id returning person.id`,
    [workspaceId, from, to, at],
  );
  return rows.map(({ id }) => id);
}

/** Says the same of many people in their change logs. @param ids of the new entries, one for each person */
export const logOwners = (
  manager: EntityManager,
  { workspaceId, accountId }: SignedIn,
  { ids, personIds, changes, at }: { ids: string[]; personIds: string[]; changes: FieldChange[]; at: Date },
): Promise<unknown> =>
  manager.query(
    `insert into change_log (id, workspace_id, person_id, actor_id, card_id, action, changes, at)
     select made.id, $1, made.person_id, $2, null, 'edited', $5::jsonb, $6
     from unnest($3::uuid[], $4::uuid[]) as made(id, person_id)`,
    [workspaceId, accountId, ids, personIds, JSON.stringify(changes), at],
  );

/** A person as lists show them. */
export interface SummaryRow {
  id: string;
  kind: Person['kind'];
  full_name: string;
  sort_name: string;
  version: number;
  title: string | null;
  company: string | null;
  card_id: string | null;
  updated_at: Date;
}

const SUMMARY = `
  select p.id, p.kind, p.full_name, p.sort_name, p.updated_at, p.version, e.title, c.name as company,
    (select k.id from card k where k.workspace_id = $1 and k.person_id = p.id and k.file_id is not null
     order by k.taken_at desc limit 1) as card_id
  from person p
  left join employment e on e.workspace_id = $1 and e.person_id = p.id and e.ended_at is null
  left join company c on c.workspace_id = $1 and c.id = e.company_id
  where p.workspace_id = $1 and p.id = any($2::uuid[])`;

/** In the order of the list. */
export const summaryRows = (
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
): Promise<SummaryRow[]> => manager.query(`${SUMMARY} order by p.sort_name, p.id`, [workspaceId, ids]);

/** What is to be done about a person, the next first. */
export const nextSteps = (manager: EntityManager, workspaceId: string, personId: string): Promise<NextStep[]> =>
  manager.query(
    `select task.id, task.text, task.due_on::text as "dueOn", task.due_time as "dueTime", account.name as by
     from task join account on account.workspace_id = $1 and account.id = task.made_by
     where task.workspace_id = $1 and task.person_id = $2 and task.done_at is null
     order by task.due_on nulls last, task.made_at limit 50`,
    [workspaceId, personId],
  );

/** Takes firms out, of these, at which nobody works or has worked and of which nothing is noted. */
export const deleteEmptyCompanies = (
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
): Promise<unknown> =>
  manager.query(
    `delete from company where workspace_id = $1 and id = any($2)
       and not exists (select from employment where employment.workspace_id = $1 and employment.company_id = company.id)
       and not exists (select from company_note n where n.workspace_id = $1 and n.company_id = company.id)
       and not exists (select from task t where t.workspace_id = $1 and t.company_id = company.id)
       and not exists (select from opportunity o where o.workspace_id = $1 and o.company_id = company.id)`,
    [workspaceId, ids],
  );

/** Every tag of people and occasions with how many people have it, the most used first. */
export const tagsInUse = (manager: EntityManager, workspaceId: string): Promise<TagList['items']> =>
  manager.query(
    `select tag, count(person_id)::int as people
     from (select unnest(tags) as tag, id as person_id from person where workspace_id = $1 and deleted_at is null
           union all select unnest(tags), null from occasion where workspace_id = $1) used
     group by tag order by people desc, tag limit 500`,
    [workspaceId],
  );

/** Another word for a tag; where the other word stands already, it stands once. */
export async function replaceTag(manager: EntityManager, workspaceId: string, from: string, to: string): Promise<void> {
  for (const [table, besides] of [
    ['person', 'version = version + 1, updated_at = now(), '],
    ['occasion', ''],
  ])
    await manager.query(
      `update ${table} set ${besides}tags = (
         select coalesce(array_agg(tag order by first), '{}') from (
           select min(tag) as tag, min(place) as first
           from unnest(array_replace(tags, $2, $3)) with ordinality as t(tag, place)
           group by lower(tag)) once)
       where workspace_id = $1 and $2 = any(tags)`,
      [workspaceId, from, to],
    );
}

const SUGGESTED = 4;

/** Titles that begin so, the most used first. @param begins with `%` and `_` escaped */
export const titlesBeginning = (
  manager: EntityManager,
  workspaceId: string,
  begins: string,
): Promise<{ text: string }[]> =>
  manager.query(
    `select title as text from employment
     where workspace_id = $1 and title <> '' and lower(title) like lower($2) || '%'
     group by title order by count(*) desc, title limit ${SUGGESTED}`,
    [workspaceId, begins],
  );

/** Firms that begin so, and those whose people have that domain. @param domain as match keys write it; empty for none */
export const companiesBeginning = (
  manager: EntityManager,
  workspaceId: string,
  begins: string,
  domain: string,
): Promise<{ text: string }[]> =>
  manager.query(
    `with there as (
       select employment.company_id, count(*) as people
       from match_key join employment on employment.workspace_id = $1 and employment.person_id = match_key.person_id
         and employment.ended_at is null
       where match_key.workspace_id = $1 and match_key.key = $3
       group by employment.company_id)
     select company.name as text from company left join there on there.company_id = company.id
     where company.workspace_id = $1 and company.merged_into is null
       and (($2 <> '' and lower(company.name) like lower($2) || '%') or there.people is not null)
     group by company.name order by sum(there.people) desc nulls last, company.name limit ${SUGGESTED}`,
    [workspaceId, begins, domain],
  );

/** Everything of a person that is compared with another. */
export interface RecordRow {
  id: string;
  kind: Person['kind'];
  full_name: string;
  sort_name: string;
  version: number;
  rating: string | null;
  owner_id: string;
  prefix: string;
  given_name: string;
  middle_name: string;
  family_name: string;
  suffix: string;
  street: string;
  postal_code: string;
  locality: string;
  region: string;
  country: string;
  more: PersonFields['more'];
  title: string | null;
  department: string | null;
  company: string | null;
  occasions: string[];
}

const RECORDS = `
  select p.id, p.kind, p.full_name, p.sort_name, p.version, p.rating, p.owner_id, p.prefix, p.given_name, p.middle_name, p.family_name, p.suffix, p.street,
    p.postal_code, p.locality, p.region, p.country, p.more, e.title, e.department, c.name as company,
    array(select distinct k.occasion_id from card k
          where k.workspace_id = $1 and k.person_id = p.id and k.occasion_id is not null) as occasions
  from person p
    left join employment e on e.workspace_id = $1 and e.person_id = p.id and e.ended_at is null
    left join company c on c.workspace_id = $1 and c.id = e.company_id
  where p.workspace_id = $1 and p.deleted_at is null`;

export const recordRows = (manager: EntityManager, workspaceId: string, ids: readonly string[]): Promise<RecordRow[]> =>
  manager.query(`${RECORDS} and p.id = any($2)`, [workspaceId, ids]);

/** A page in the order of the list, behind a place. */
export const recordRowsAfter = (
  manager: EntityManager,
  workspaceId: string,
  after: { sortName: string; id: string },
  limit: number,
): Promise<RecordRow[]> =>
  manager.query(`${RECORDS} and (p.sort_name, p.id) > ($2, $3::uuid) order by p.sort_name, p.id limit ${limit}`, [
    workspaceId,
    after.sortName,
    after.id,
  ]);

export interface ContactPointRow {
  person_id: string;
  kind: 'email' | 'phone' | 'website';
  value: string;
  key: string;
  phone_kind: PhoneEntry['kind'] | null;
  extension: string;
}

export const contactPointRows = (
  manager: EntityManager,
  workspaceId: string,
  personIds: readonly string[],
): Promise<ContactPointRow[]> =>
  manager.query(
    `select person_id, kind, value, key, phone_kind, extension from contact_point
     where workspace_id = $1 and person_id = any($2) order by person_id, position`,
    [workspaceId, personIds],
  );

/** The keys of these people are these and no others. @param keys pairs of person and key */
export async function replaceMatchKeys(
  manager: EntityManager,
  workspaceId: string,
  personIds: readonly string[],
  keys: readonly (readonly [personId: string, key: string])[],
): Promise<void> {
  await manager.query('delete from match_key where workspace_id = $1 and person_id = any($2)', [
    workspaceId,
    personIds,
  ]);
  await manager.query(
    `insert into match_key (workspace_id, person_id, key)
     select $1, made.person_id, made.key from unnest($2::uuid[], $3::text[]) as made(person_id, key) on conflict do nothing`,
    [workspaceId, keys.map(([personId]) => personId), keys.map(([, key]) => key)],
  );
}

/** Some people whose keys are older than that, for this transaction alone. */
export async function peopleWithOldKeys(
  manager: EntityManager,
  workspaceId: string,
  version: number,
  limit: number,
): Promise<string[]> {
  const rows = await manager.query<{ id: string }[]>(
    `select id from person where workspace_id = $1 and keys_version < $2 limit ${limit} for update skip locked`,
    [workspaceId, version],
  );
  return rows.map(({ id }) => id);
}

/** Fields of these people whose last change was made by hand. */
export const fieldsLastEdited = (
  manager: EntityManager,
  workspaceId: string,
  personIds: readonly string[],
): Promise<{ person_id: string; field: string }[]> =>
  manager.query(
    `select person_id, field from (
       select distinct on (log.person_id, change->>'field') log.person_id, change->>'field' as field, log.action
       from change_log log, jsonb_array_elements(log.changes) change
       where log.workspace_id = $1 and log.person_id = any($2)
       order by log.person_id, change->>'field', log.at desc, log.id desc) latest
     where action = 'edited'`,
    [workspaceId, personIds],
  );

/** Takes the values out of somebody's change log; that only this function may. The workspace is the one of the transaction. */
export const forgetValues = (manager: EntityManager, personId: string): Promise<unknown> =>
  manager.query('select forget_values($1)', [personId]);

/** What matching has counted, for this transaction alone; undefined where nothing was. */
export async function lockFrequencies(
  manager: EntityManager,
  workspaceId: string,
): Promise<FrequencyTable | undefined> {
  const [model] = await manager.query<{ frequencies: FrequencyTable }[]>(
    'select frequencies from match_model where workspace_id = $1 for update',
    [workspaceId],
  );
  return model?.frequencies;
}

export const saveFrequencies = (
  manager: EntityManager,
  workspaceId: string,
  frequencies: FrequencyTable,
): Promise<unknown> =>
  manager.query('update match_model set frequencies = $2::jsonb where workspace_id = $1', [
    workspaceId,
    JSON.stringify(frequencies),
  ]);

/** What only this person's cards have taught: their own numbers, and a domain that nobody else here has. */
export const forgetLearnedFrom = (manager: EntityManager, workspaceId: string, personId: string): Promise<unknown> =>
  manager.query(
    `delete from learned_fact fact
     where fact.workspace_id = $1
       and ((fact.times = 1 and fact.card_id in (select id from card where workspace_id = $1 and person_id = $2))
         or fact.domain in (
           select substr(own.key, 2) from match_key own
           where own.workspace_id = $1 and own.person_id = $2 and own.key like '@%'
             and not exists (select from match_key other where other.workspace_id = $1 and other.key = own.key
                               and other.person_id <> $2)))`,
    [workspaceId, personId],
  );

/** Files that came in from somebody, and that mail to their addresses comes back. */
export async function forgetMail(
  manager: EntityManager,
  workspaceId: string,
  personId: string,
  addresses: readonly string[],
): Promise<void> {
  await manager.query(`delete from stored_file where workspace_id = $1 and id in (select file_id from attachment where workspace_id = $1 and person_id = $2)`, [workspaceId, personId]); // prettier-ignore
  await manager.query(`delete from bounced_address where workspace_id = $1 and address = any($2::text[])`, [
    workspaceId,
    addresses,
  ]);
}

/** In the history of business nobody is named any more who had a part in what this person had one in. */
export const forgetParts = (manager: EntityManager, workspaceId: string, personId: string): Promise<unknown> =>
  manager.query(
    `update opportunity_act a set changes = (select coalesce(jsonb_agg(c), '[]') from jsonb_array_elements(a.changes) c where c->>'field' <> 'people')
     where a.workspace_id = $1 and a.changes @> '[{"field": "people"}]'
       and exists (select from jsonb_array_elements(a.changes) c join person p on p.workspace_id = $1 and p.id = $2
         where c->>'field' = 'people' and p.full_name <> '' and strpos(concat(c->>'before', c->>'after'), p.full_name) > 0)`,
    [workspaceId, personId],
  );

/** Business that others have a part in stays known in other systems when one of them goes. */
export const handedStays = (manager: EntityManager, workspaceId: string, personId: string): Promise<unknown> =>
  manager.query(
    `update handed_record h set person_id = r.person_id from opportunity_person r
     where h.workspace_id = $1 and h.subject = 'opportunity' and h.person_id = $2
       and r.workspace_id = $1 and r.opportunity_id = h.subject_id and r.person_id <> $2`,
    [workspaceId, personId],
  );

/** One version more. */
export const touchPeople = (
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
  at: Date,
): Promise<unknown> =>
  manager.query(
    'update person set version = version + 1, updated_at = $3 where workspace_id = $1 and id = any($2::uuid[])',
    [workspaceId, ids, at],
  );

/** Firms by what they are, or were, called, else by what spellings of one firm share; perhaps merged into others since. @returns ids by the names */
export async function companyIdsOf(
  manager: EntityManager,
  workspaceId: string,
  asked: readonly { name: string; nameKey: string; matchKey: string; legalForm: string }[],
): Promise<Map<string, string>> {
  // One that is a firm of its own before one that is another by now.
  const first = `order by c.merged_into nulls first, c.id limit 1`;
  const rows = await manager.query<{ name: string; id: string | null }[]>(
    `select asked.name, coalesce(
       (select c.id from company c where c.workspace_id = $1 and c.name_key = asked.name_key ${first}),
       (select n.company_id from company_name n where n.workspace_id = $1 and n.name_key = asked.name_key order by n.id limit 1),
       (select c.id from company c where c.workspace_id = $1 and c.match_key = asked.match_key and c.legal_form = asked.legal_form ${first}),
       (select n.company_id from company_name n where n.workspace_id = $1 and n.match_key = asked.match_key
          and n.legal_form = asked.legal_form order by n.id limit 1)) as id
     from unnest($2::text[], $3::text[], $4::text[], $5::text[]) asked(name, name_key, match_key, legal_form)`,
    [workspaceId, ...(['name', 'nameKey', 'matchKey', 'legalForm'] as const).map((what) => asked.map((one) => one[what]))], // prettier-ignore
  );
  return new Map(rows.flatMap(({ name, id }) => (id ? [[name, id] as const] : [])));
}
