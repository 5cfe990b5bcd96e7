import { companyFormOf } from '@dossier/core/matching';
import { foldTight } from '@dossier/core/text';
import { legalFormOf } from '@dossier/core/text/legalForm';
import { In, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { Company } from './entities';
import { companyIdsOf } from './queries';

/** What a name of a firm is known by: written alike, or spelt alike with the same legal form. */
export const keysOfName = (name: string): Pick<Company, 'nameKey' | 'matchKey' | 'legalForm'> => ({
  nameKey: foldTight(name) || name,
  matchKey: companyFormOf(name).key,
  legalForm: legalFormOf(name),
});

/**
 * The firms of these names: written so now or before, or other spellings with the same legal form. "Weber GmbH" and "Weber AG" are two
 * firms until somebody says otherwise; of firms that are one it is the one they are now.
 * @returns by the names; those that are not known are missing
 */
export async function knownCompanies(
  manager: EntityManager,
  workspaceId: string,
  names: readonly string[],
): Promise<Map<string, Company>> {
  const asked = [...new Set(names)].filter(Boolean).map((name) => ({ name, ...keysOfName(name) }));
  if (asked.length === 0) return new Map();
  const idOf = await companyIdsOf(manager, workspaceId, asked);
  const found = await manager.findBy(Company, { workspaceId, id: In([...new Set(idOf.values())]) });
  const companies = new Map<string, Company>();
  for (const [name, id] of idOf)
    companies.set(
      name,
      await currentOf(
        manager,
        found.find((company) => company.id === id)!,
      ),
    );
  return companies;
}

/** What a firm is now that was merged into another one. */
export async function currentOf(manager: EntityManager, company: Company): Promise<Company> {
  let now = company;
  while (now.mergedInto) now = await manager.findOneByOrFail(Company, { id: now.mergedInto });
  return now;
}

/** What firms are called now that are written so, by those names; the same where one is not known, or only spelt otherwise. */
export async function presentNames(
  manager: EntityManager,
  workspaceId: string,
  names: readonly string[],
): Promise<(name: string) => string> {
  const known = await knownCompanies(manager, workspaceId, names);
  return (name) => {
    const company = known.get(name);
    return company && company.matchKey !== keysOfName(name).matchKey ? company.name : name;
  };
}

/** The firms' records, new ones where there are none; a record keeps the spelling it was made with. @returns their ids by the names */
export async function companiesNamed(
  manager: EntityManager,
  workspaceId: string,
  names: readonly string[],
): Promise<Map<string, string>> {
  const known = await knownCompanies(manager, workspaceId, names);
  const isMissing = (name: string) => name !== '' && !known.has(name);
  // Of several spellings of one firm the first makes it.
  const made = new Map<string, Pick<Company, 'id' | 'workspaceId' | 'name' | 'nameKey' | 'matchKey' | 'legalForm'>>();
  for (const name of names.filter(isMissing)) {
    const keys = keysOfName(name);
    const firm = `${keys.matchKey}\n${keys.legalForm}`;
    if (!made.has(firm)) made.set(firm, { id: uuidv7(), workspaceId, name, ...keys });
  }
  if (made.size > 0) {
    await manager
      .createQueryBuilder()
      .insert()
      .into(Company)
      .values([...made.values()])
      .orIgnore()
      .execute();
    // What another request has made meanwhile under one of these names is found as well.
    for (const [name, company] of await knownCompanies(manager, workspaceId, names.filter(isMissing)))
      known.set(name, company);
  }
  return new Map([...known].map(([name, { id }]) => [name, id]));
}

/** As `companiesNamed`, for one. Two requests at once end with one. */
export async function companyNamed(manager: EntityManager, workspaceId: string, name: string): Promise<string> {
  return (await companiesNamed(manager, workspaceId, [name])).get(name)!;
}
