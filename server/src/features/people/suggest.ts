import { isFreeMail } from '@dossier/core/text/domains';
import type { SuggestionQuery } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import type { SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';

const MOST = 4;

const TITLES = `
  select title as text from employment
  where workspace_id = $1 and title <> '' and lower(title) like lower($2) || '%'
  group by title order by count(*) desc, title limit ${MOST}`;
const COMPANIES = `
  with there as (
    select employment.company_id, count(*) as people
    from match_key join employment on employment.person_id = match_key.person_id and employment.ended_at is null
    where match_key.workspace_id = $1 and match_key.key = $3
    group by employment.company_id)
  select company.name as text from company left join there on there.company_id = company.id
  where company.workspace_id = $1
    and (($2 <> '' and lower(company.name) like lower($2) || '%') or there.people is not null)
  group by company.name order by sum(there.people) desc nulls last, company.name limit ${MOST}`;

/** Texts of the workspace's people that begin like what is written, or are the company of an e-mail's domain. */
export function suggest(
  database: DataSource,
  { workspaceId }: SignedIn,
  { field, q, domain }: SuggestionQuery,
): Promise<string[]> {
  const begins = q.replace(/[\\%_]/g, '\\$&');
  const firm = domain && !isFreeMail(domain) ? `@${domain.toLowerCase()}` : '';
  if (field === 'title' && begins === '') return Promise.resolve([]);
  return inWorkspace(database, workspaceId, async (manager) => {
    const rows = await manager.query<{ text: string }[]>(
      field === 'title' ? TITLES : COMPANIES,
      field === 'title' ? [workspaceId, begins] : [workspaceId, begins, firm],
    );
    return rows.map((row) => row.text);
  });
}
