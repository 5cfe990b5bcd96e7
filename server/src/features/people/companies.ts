import { companyFormOf, companyLikeness, emailKey } from '@dossier/core/matching';
import type { PersonFields } from '@dossier/core/people';
import { foldTight, isFreeMail } from '@dossier/core/reading';
import type { EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { Company } from './entities';

/**
 * The firm's record: the one of that name, or of another spelling of it, or one written alike whose people have addresses at the
 * same domain; else a new one. Two requests at once end with one record.
 */
export async function companyNamed(
  manager: EntityManager,
  workspaceId: string,
  { company: name, emails }: Pick<PersonFields, 'company' | 'emails'>,
): Promise<string> {
  const nameKey = foldTight(name) || name;
  const form = companyFormOf(name);
  const known =
    (await manager.findOneBy(Company, { workspaceId, nameKey })) ??
    (await manager.findOne(Company, { where: { workspaceId, matchKey: form.key }, order: { id: 'ASC' } })) ??
    (await atDomains(manager, workspaceId, emails)).find(
      (company) => companyLikeness(companyFormOf(company.name), form) === 'close',
    );
  if (known) {
    // The same firm as this card spells it: "Larkspur Foods" has become "Larkspur Foods plc".
    if (known.nameKey !== nameKey && known.matchKey === form.key) await respell(manager, known, name, nameKey);
    return known.id;
  }
  await manager
    .createQueryBuilder()
    .insert()
    .into(Company)
    .values({ id: uuidv7(), workspaceId, name, nameKey, matchKey: form.key })
    .orIgnore()
    .execute();
  return (await manager.findOneByOrFail(Company, { workspaceId, nameKey })).id;
}

const respell = (manager: EntityManager, company: Company, name: string, nameKey: string) =>
  manager.update(Company, { id: company.id }, { name, nameKey });

/** Firms whose people have addresses at one of these domains, other than those that lend mailboxes to everybody. */
async function atDomains(manager: EntityManager, workspaceId: string, emails: readonly string[]): Promise<Company[]> {
  const domains = emails
    .map((email) => emailKey(email).split('@')[1] ?? '')
    .filter((domain) => domain && !isFreeMail(domain));
  if (domains.length === 0) return [];
  return manager
    .createQueryBuilder(Company, 'company')
    .where('company.workspaceId = :workspaceId', { workspaceId })
    .andWhere(
      `exists (select from match_key k join employment e on e.person_id = k.person_id and e.ended_at is null
               where e.company_id = company.id and k.workspace_id = :workspaceId and k.key = any(:keys))`,
      { keys: domains.map((domain) => `@${domain}`) },
    )
    .limit(5)
    .getMany();
}
