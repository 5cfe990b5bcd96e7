import type { PersonFields, PhoneEntry } from '@dossier/core/people';
import { featuresOf, type Features } from '@dossier/core/matching/people';
import type { EntityManager } from 'typeorm';
import type { Person } from './entities';

/** A person as it is compared, read in as few queries as can be: for many at a time. */
export interface PersonRecord {
  id: string;
  kind: Person['kind'];
  fullName: string;
  version: number;
  rating: string | null;
  fields: PersonFields;
  features: Features;
}

interface Row {
  id: string;
  kind: Person['kind'];
  full_name: string;
  version: number;
  rating: string | null;
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
}
interface ReachRow {
  person_id: string;
  kind: 'email' | 'phone' | 'website';
  value: string;
  key: string;
  phone_kind: PhoneEntry['kind'] | null;
  extension: string;
}

const PEOPLE = `
  select p.id, p.kind, p.full_name, p.version, p.rating, p.prefix, p.given_name, p.middle_name, p.family_name, p.suffix, p.street,
    p.postal_code, p.locality, p.region, p.country, p.more, e.title, e.department, c.name as company
  from person p
    left join employment e on e.person_id = p.id and e.ended_at is null
    left join company c on c.id = e.company_id
  where p.deleted_at is null`;
const REACH = `
  select person_id, kind, value, key, phone_kind, extension from reach where person_id = any($1) order by person_id, position`;

/** These people, without those that are deleted. */
export async function loadRecords(manager: EntityManager, ids: readonly string[]): Promise<PersonRecord[]> {
  if (ids.length === 0) return [];
  return recordsOf(manager, await manager.query<Row[]>(`${PEOPLE} and p.id = any($1)`, [ids]));
}

/** A page of everybody in the order of their ids, behind one of them. */
export async function loadRecordsAfter(manager: EntityManager, after: string, limit: number): Promise<PersonRecord[]> {
  return recordsOf(
    manager,
    await manager.query<Row[]>(`${PEOPLE} and p.id > $1 order by p.id limit ${limit}`, [after]),
  );
}

async function recordsOf(manager: EntityManager, rows: readonly Row[]): Promise<PersonRecord[]> {
  const reach = await manager.query<ReachRow[]>(REACH, [rows.map(({ id }) => id)]);
  const reachOf = new Map<string, ReachRow[]>(rows.map(({ id }) => [id, []]));
  for (const row of reach) reachOf.get(row.person_id)?.push(row);
  return rows.map((row) => recordOf(row, reachOf.get(row.id)!));
}

function recordOf(row: Row, reach: readonly ReachRow[]): PersonRecord {
  const values = (kind: ReachRow['kind']) => reach.filter((one) => one.kind === kind);
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
  const { id, kind, full_name: fullName, version, rating } = row;
  // The numbers' keys were made when they were filed: making them again takes longer than all the rest.
  const features = featuresOf(
    fields,
    undefined,
    phones.map(({ key }) => key),
  );
  return { id, kind, fullName, version, rating, fields, features };
}
