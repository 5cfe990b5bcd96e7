import type { PersonFields, PhoneEntry } from '@dossier/core/people';
import { featuresOf, type Features, type Known } from '@dossier/core/matching/people';
import type { EntityManager } from 'typeorm';
import type { Person } from './entities';

/** A person as it is compared, read in as few queries as can be: for many at a time. */
export interface PersonRecord {
  id: string;
  kind: Person['kind'];
  fullName: string;
  version: number;
  rating: string | null;
  ownerId: string;
  fields: PersonFields;
  features: Features;
}

/** What of a person is compared. */
export interface MatchRecord {
  id: string;
  fields: PersonFields;
  known: Known;
}

interface Row {
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
interface ContactPointRow {
  person_id: string;
  kind: 'email' | 'phone' | 'website';
  value: string;
  key: string;
  phone_kind: PhoneEntry['kind'] | null;
  extension: string;
}

const PEOPLE = `
  select p.id, p.kind, p.full_name, p.sort_name, p.version, p.rating, p.owner_id, p.prefix, p.given_name, p.middle_name, p.family_name, p.suffix, p.street,
    p.postal_code, p.locality, p.region, p.country, p.more, e.title, e.department, c.name as company,
    array(select distinct k.occasion_id from card k where k.person_id = p.id and k.occasion_id is not null) as occasions
  from person p
    left join employment e on e.person_id = p.id and e.ended_at is null
    left join company c on c.id = e.company_id
  where p.deleted_at is null`;
const CONTACT_POINTS = `
  select person_id, kind, value, key, phone_kind, extension from contact_point where person_id = any($1) order by person_id, position`;

/** These people, without those that are deleted. */
export async function loadRecords(manager: EntityManager, ids: readonly string[]): Promise<PersonRecord[]> {
  if (ids.length === 0) return [];
  const rows = await manager.query<Row[]>(`${PEOPLE} and p.id = any($1)`, [ids]);
  const records = await recordsOf(manager, rows);
  return rows.map(({ kind, full_name: fullName, version, rating, owner_id: ownerId }, i) => {
    const { id, fields, known } = records[i]!;
    return { id, kind, fullName, version, rating, ownerId, fields, features: featuresOf(fields, undefined, known) };
  });
}

/**
 * A page of everybody in the order of the list, behind one of them. Whoever is alike comes close together, also in memory, which
 * makes a search through all of them a third quicker.
 */
export async function loadMatchRecordsAfter(
  manager: EntityManager,
  workspaceId: string,
  after: ListPlace,
  limit: number,
): Promise<{ records: MatchRecord[]; last: ListPlace | undefined }> {
  const rows = await manager.query<Row[]>(
    `${PEOPLE} and p.workspace_id = $1 and (p.sort_name, p.id) > ($2, $3::uuid) order by p.sort_name, p.id limit ${limit}`,
    [workspaceId, after.sortName, after.id],
  );
  const last = rows[rows.length - 1];
  return { records: await recordsOf(manager, rows), last: last && { sortName: last.sort_name, id: last.id } };
}

/** A place in the list of people. */
export interface ListPlace {
  sortName: string;
  id: string;
}
export const LIST_BEGIN: ListPlace = { sortName: '', id: '00000000-0000-0000-0000-000000000000' };

async function recordsOf(manager: EntityManager, rows: readonly Row[]): Promise<MatchRecord[]> {
  const contactPoints = await manager.query<ContactPointRow[]>(CONTACT_POINTS, [rows.map(({ id }) => id)]);
  const contactPointsOf = new Map<string, ContactPointRow[]>(rows.map(({ id }) => [id, []]));
  for (const row of contactPoints) contactPointsOf.get(row.person_id)?.push(row);
  return rows.map((row) => recordOf(row, contactPointsOf.get(row.id)!));
}

function recordOf(row: Row, contactPoints: readonly ContactPointRow[]): MatchRecord {
  const values = (kind: ContactPointRow['kind']) => contactPoints.filter((one) => one.kind === kind);
  const phones = values('phone');
  const fields: PersonFields = {
    prefix: row.prefix,
    givenName: row.given_name,
    middleName: row.middle_name,
    familyName: row.family_name,
    suffix: row.suffix,
    title: row.title ?? '',
    department: row.department ?? '',
    company: row.company ?? '',
    emails: values('email').map(({ value }) => value),
    phones: phones.map(({ value, phone_kind, extension }) => ({ value, kind: phone_kind ?? 'work', extension })),
    websites: values('website').map(({ value }) => value),
    street: row.street,
    postalCode: row.postal_code,
    locality: row.locality,
    region: row.region,
    country: row.country,
    more: row.more,
  };
  // The numbers' keys were made when they were filed: making them again takes longer than all the rest.
  return { id: row.id, fields, known: { phoneKeys: phones.map(({ key }) => key), occasions: row.occasions } };
}
