import { companyFormOf } from '@dossier/core/matching';
import { foldTight } from '@dossier/core/text';
import { legalFormOf } from '@dossier/core/text/legalForm';
import { IsNull, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { Company, CompanyName } from './entities';

/** What a name of a firm is known by: written alike, or spelt alike with the same legal form. */
export const keysOfName = (name: string): Pick<Company, 'nameKey' | 'matchKey' | 'legalForm'> => ({
  nameKey: foldTight(name) || name,
  matchKey: companyFormOf(name).key,
  legalForm: legalFormOf(name),
});

/**
 * The firm of that name: written so now or before, or another spelling with the same legal form. "Weber GmbH" and "Weber AG" are two
 * firms until somebody says otherwise; of firms that are one it is the one they are now.
 */
export async function knownCompany(
  manager: EntityManager,
  workspaceId: string,
  name: string,
): Promise<Company | undefined> {
  const { nameKey, matchKey, legalForm } = keysOfName(name);
  const alike = { workspaceId, matchKey, legalForm };
  // One that is a firm of its own before one that is another by now.
  const order = { mergedInto: { direction: 'ASC', nulls: 'FIRST' }, id: 'ASC' } as const;
  const found =
    (await manager.findOne(Company, { where: { workspaceId, nameKey }, order })) ??
    (await formerly(manager, { workspaceId, nameKey })) ??
    (await manager.findOne(Company, { where: alike, order })) ??
    (await formerly(manager, alike));
  return found ? currentOf(manager, found) : undefined;
}

async function formerly(
  manager: EntityManager,
  where: Partial<Pick<CompanyName, 'workspaceId' | 'nameKey' | 'matchKey' | 'legalForm'>>,
): Promise<Company | undefined> {
  const spelling = await manager.findOne(CompanyName, { where, order: { id: 'ASC' }, relations: { company: true } });
  return spelling?.company;
}

/** What a firm is now that was merged into another one. */
export async function currentOf(manager: EntityManager, company: Company): Promise<Company> {
  let now = company;
  while (now.mergedInto) now = await manager.findOneByOrFail(Company, { id: now.mergedInto });
  return now;
}

/** What a firm is called now that is written so; the same where it is not known, or only spelt otherwise. */
export async function presentName(manager: EntityManager, workspaceId: string, name: string): Promise<string> {
  const known = name ? await knownCompany(manager, workspaceId, name) : undefined;
  return known && known.matchKey !== keysOfName(name).matchKey ? known.name : name;
}

/** The firm's record, a new one where there is none; a record keeps the spelling it was made with. Two requests at once end with one. */
export async function companyNamed(manager: EntityManager, workspaceId: string, name: string): Promise<string> {
  const known = await knownCompany(manager, workspaceId, name);
  if (known) return known.id;
  const keys = keysOfName(name);
  await manager
    .createQueryBuilder()
    .insert()
    .into(Company)
    .values({ id: uuidv7(), workspaceId, name, ...keys })
    .orIgnore()
    .execute();
  return (await manager.findOneByOrFail(Company, { workspaceId, nameKey: keys.nameKey, mergedInto: IsNull() })).id;
}
