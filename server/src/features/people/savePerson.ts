import { emailKey, phoneKey, websiteKey } from '@dossier/core/matching';
import { leadAfter } from '@dossier/core/people/changes';
import { displayName, sortName, type PersonFields } from '@dossier/core/people';
import { IsNull, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { companyNamed } from './companies';
import { Employment, Person, ContactPoint } from './entities';
import { saveMatchKeys } from './matchKeys';

/** Columns of a person that follow from its fields. */
export const personColumns = (fields: PersonFields) => ({
  prefix: fields.prefix,
  givenName: fields.givenName,
  middleName: fields.middleName,
  familyName: fields.familyName,
  suffix: fields.suffix,
  fullName: displayName(fields),
  sortName: sortName(fields),
  street: fields.street,
  postalCode: fields.postalCode,
  locality: fields.locality,
  region: fields.region,
  country: fields.country,
  more: fields.more,
});

interface Owner {
  workspaceId: string;
  personId: string;
  at: Date;
}

/** What is saved beside the person's own row: job, company, addresses, match keys. @param newJob whether the current job ends */
async function saveParts(
  manager: EntityManager,
  owner: Owner,
  fields: PersonFields,
  { newJob = false } = {},
): Promise<void> {
  await saveEmployment(manager, owner, fields, newJob);
  await saveContactPoints(manager, owner, fields);
  await saveMatchKeys(manager, owner, fields);
}

/** A person's changed fields, with a version more; what else changes is given in `columns`. */
export async function changePerson(
  manager: EntityManager,
  person: Pick<Person, 'id' | 'workspaceId' | 'version' | 'kind' | 'closed' | 'qualifiedAt'>,
  fields: PersonFields,
  {
    at,
    newJob,
    ...columns
  }: { at: Date; newJob?: boolean } & Partial<
    Pick<Person, 'kind' | 'tags' | 'rating' | 'leadStatus' | 'closed' | 'qualifiedAt' | 'filedByItselfAt' | 'ownerId'>
  >,
): Promise<void> {
  await manager.update(
    Person,
    { id: person.id },
    {
      ...columns,
      ...(columns.kind && columns.qualifiedAt === undefined && asKind(person, columns.kind, at)),
      ...personColumns(fields),
      version: person.version + 1,
      updatedAt: at,
    },
  );
  await saveParts(manager, { workspaceId: person.workspaceId, personId: person.id, at }, fields, { newJob });
}

/** What follows for a lead, or a contact, from their kind. @see leadAfter */
export function asKind(
  { kind: before, closed, qualifiedAt }: Pick<Person, 'kind' | 'closed' | 'qualifiedAt'>,
  kind: Person['kind'],
  at: Date,
): Pick<Person, 'kind' | 'closed' | 'qualifiedAt'> {
  const was = { kind: before, qualifiedAt: qualifiedAt?.toISOString() ?? null };
  const after = leadAfter(was, kind, closed, at.toISOString());
  return { kind, closed: after.closed, qualifiedAt: after.qualifiedAt === null ? null : new Date(after.qualifiedAt) };
}

/** Replaces the ways to reach a person by those in the fields. */
async function saveContactPoints(
  manager: EntityManager,
  { workspaceId, personId }: Owner,
  fields: PersonFields,
): Promise<void> {
  await manager.delete(ContactPoint, { personId });
  const rows = contactPointsIn({ workspaceId, personId }, fields);
  if (rows.length === 0) return;
  await manager.insert(ContactPoint, rows);
}

/** The ways to reach a person that stand in the fields, as rows. */
export function contactPointsIn(
  { workspaceId, personId }: Pick<Owner, 'workspaceId' | 'personId'>,
  fields: PersonFields,
) {
  const rows = [
    ...fields.emails.map((value) => ({
      kind: 'email' as const,
      value,
      key: emailKey(value),
      phoneKind: null,
      extension: '',
    })),
    ...fields.phones.map(({ value, kind, extension }) => ({
      kind: 'phone' as const,
      value,
      key: phoneKey(value),
      phoneKind: kind,
      extension,
    })),
    ...fields.websites.map((value) => ({
      kind: 'website' as const,
      value,
      key: websiteKey(value),
      phoneKind: null,
      extension: '',
    })),
  ];
  return rows.map((row, position) => ({ ...row, id: uuidv7(), workspaceId, personId, position }));
}

/** The current job: corrected in place, or ended and followed by the new one, when it is one. */
async function saveEmployment(
  manager: EntityManager,
  { workspaceId, personId, at }: Owner,
  fields: PersonFields,
  newJob: boolean,
): Promise<void> {
  const current = await manager.findOneBy(Employment, { personId, endedAt: IsNull() });
  const companyId = fields.company ? await companyNamed(manager, workspaceId, fields.company) : null;
  const { title, department } = fields;
  const isNothing = !companyId && !title && !department;
  if (current && !newJob) {
    if (isNothing) await manager.delete(Employment, { id: current.id });
    else await manager.update(Employment, { id: current.id }, { companyId, title, department });
    return;
  }
  if (current) await manager.update(Employment, { id: current.id }, { endedAt: at });
  if (isNothing) return;
  await manager.insert(Employment, {
    id: uuidv7(),
    workspaceId,
    personId,
    companyId,
    title,
    department,
    startedAt: at,
    endedAt: null,
  });
}
