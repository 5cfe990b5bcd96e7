import { isFreeMail } from '@dossier/core/text/domains';
import type { SuggestionQuery } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import type { SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';
import { companiesBeginning, titlesBeginning } from './queries';

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
    const rows =
      field === 'title'
        ? await titlesBeginning(manager, workspaceId, begins)
        : await companiesBeginning(manager, workspaceId, begins, firm);
    return rows.map((row) => row.text);
  });
}
