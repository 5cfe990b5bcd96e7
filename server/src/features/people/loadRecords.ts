import type { PersonFields } from '@dossier/core/people';
import { featuresOf, type Features, type Known } from '@dossier/core/matching/people';
import type { EntityManager } from 'typeorm';
import type { Person } from './entities';
import { contactPointRows, recordRows, recordRowsAfter, type ContactPointRow, type RecordRow } from './queries';

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

/** These people, without those that are deleted. */
export async function loadRecords(
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
): Promise<PersonRecord[]> {
  if (ids.length === 0) return [];
  const rows = await recordRows(manager, workspaceId, ids);
  const records = await recordsOf(manager, workspaceId, rows);
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
  const rows = await recordRowsAfter(manager, workspaceId, after, limit);
  const last = rows[rows.length - 1];
  return {
    records: await recordsOf(manager, workspaceId, rows),
    last: last && { sortName: last.sort_name, id: last.id },
  };
}

/** A place in the list of people. */
export interface ListPlace {
  sortName: string;
  id: string;
}
export const LIST_BEGIN: ListPlace = { sortName: '', id: '00000000-0000-0000-0000-000000000000' };

async function recordsOf(
  manager: EntityManager,
  workspaceId: string,
  rows: readonly RecordRow[],
): Promise<MatchRecord[]> {
  const contactPoints = await contactPointRows(manager, workspaceId, rows.map(({ id }) => id)); // prettier-ignore
  const contactPointsOf = new Map<string, ContactPointRow[]>(rows.map(({ id }) => [id, []]));
  for (const row of contactPoints) contactPointsOf.get(row.person_id)?.push(row);
  return rows.map((row) => recordOf(row, contactPointsOf.get(row.id)!));
}

function recordOf(row: RecordRow, contactPoints: readonly ContactPointRow[]): MatchRecord {
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
