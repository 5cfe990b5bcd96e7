import { foldTight } from '@dossier/core/text';
import { legalFormOf } from '@dossier/core/text/legalForm';
import { companyFormOf } from '@dossier/core/matching';
import type { EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { Company } from './entities';

/**
 * The firm's record: the one of that name, or of another spelling of it with the same legal form; else a new one. "Weber GmbH" and
 * "Weber AG" are two firms, and a record keeps the spelling it was made with. Two requests at once end with one record.
 */
export async function companyNamed(manager: EntityManager, workspaceId: string, name: string): Promise<string> {
  const nameKey = foldTight(name) || name;
  const { key: matchKey } = companyFormOf(name);
  const legalForm = legalFormOf(name);
  const known =
    (await manager.findOneBy(Company, { workspaceId, nameKey })) ??
    (await manager.findOne(Company, { where: { workspaceId, matchKey, legalForm }, order: { id: 'ASC' } }));
  if (known) return known.id;
  await manager
    .createQueryBuilder()
    .insert()
    .into(Company)
    .values({ id: uuidv7(), workspaceId, name, nameKey, matchKey, legalForm })
    .orIgnore()
    .execute();
  return (await manager.findOneByOrFail(Company, { workspaceId, nameKey })).id;
}

/** Firms at which nobody works, and nobody did, are no longer anybody's business. */
export async function removeEmptyCompanies(
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
): Promise<void> {
  await manager.query(
    `delete from company where workspace_id = $1 and id = any($2)
       and not exists (select from employment where employment.company_id = company.id)`,
    [workspaceId, ids],
  );
}
