import { emailKey, phoneKey, websiteKey } from '@dossier/core/matching';
import { displayName, searchText, sortName, type PersonFields } from '@dossier/core/people';
import { foldTight } from '@dossier/core/reading';
import { IsNull, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { Company, Employment, Reach } from './entities';

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
  searchText: searchText(fields),
});

interface Owner {
  workspaceId: string;
  personId: string;
  at: Date;
}

/** Replaces the ways to reach a person by those in the fields. */
export async function saveReach(
  manager: EntityManager,
  { workspaceId, personId }: Owner,
  fields: PersonFields,
): Promise<void> {
  await manager.delete(Reach, { personId });
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
  if (rows.length === 0) return;
  await manager.insert(
    Reach,
    rows.map((row, position) => ({ ...row, id: uuidv7(), workspaceId, personId, position })),
  );
}

/** The current job: corrected in place while the company stays the same, else the old one ends and stays in the history. */
export async function saveEmployment(
  manager: EntityManager,
  { workspaceId, personId, at }: Owner,
  fields: PersonFields,
): Promise<void> {
  const current = await manager.findOneBy(Employment, { personId, endedAt: IsNull() });
  const companyId = fields.company ? await companyNamed(manager, workspaceId, fields.company) : null;
  const { title, department } = fields;
  if (current && (current.companyId === companyId || current.companyId === null)) {
    await manager.update(Employment, { id: current.id }, { companyId, title, department });
    return;
  }
  if (current) await manager.update(Employment, { id: current.id }, { endedAt: at });
  if (!companyId && !title && !department) return;
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

/** The firm's record, made when it is new. Two requests at once end with one record. */
async function companyNamed(manager: EntityManager, workspaceId: string, name: string): Promise<string> {
  const nameKey = foldTight(name) || name;
  await manager
    .createQueryBuilder()
    .insert()
    .into(Company)
    .values({ id: uuidv7(), workspaceId, name, nameKey })
    .orIgnore()
    .execute();
  return (await manager.findOneByOrFail(Company, { workspaceId, nameKey })).id;
}
