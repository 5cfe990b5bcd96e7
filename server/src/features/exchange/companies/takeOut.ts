import type { CompaniesTakenQuery } from '@dossier/contract';
import { COMPANY_COLUMNS, type TakenCompany, type WorthIn } from '@dossier/core/exchange/companies';
import type { Response } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot } from '../../../platform/workspaceScope';
import { listedCompanies, takenFirms, type CompanyPlace, type TakenFirm } from '../../companies';
import { businessOfFirms } from '../../pipeline';
import { writeTable } from '../records/writeTable';

const AT_ONCE = 200;

/** All of a list, some at a time. */
async function* listed(
  manager: EntityManager,
  workspaceId: string,
  query: CompaniesTakenQuery,
): AsyncGenerator<TakenCompany[]> {
  let after: CompanyPlace | undefined;
  do {
    const page: Awaited<ReturnType<typeof listedCompanies>> = await listedCompanies(manager, workspaceId, query, after, AT_ONCE); // prettier-ignore
    yield await withBusiness(manager, workspaceId, await takenFirms(manager, workspaceId, page.items));
    after = page.next ?? undefined;
  } while (after);
}

async function withBusiness(
  manager: EntityManager,
  workspaceId: string,
  firms: readonly TakenFirm[],
): Promise<TakenCompany[]> {
  const sums = await businessOfFirms(manager, workspaceId, firms.flatMap(({ members }) => members)); // prettier-ignore
  return firms.map(({ members, ...firm }) => {
    const own = sums.filter(({ company_id }) => members.includes(company_id));
    return { ...firm, open: together(own.filter(({ state }) => state === 'open')), won: together(own.filter(({ state }) => state === 'won')) }; // prettier-ignore
  });
}

/** One sum for each currency: those that became the firm have their own. */
function together(sums: readonly WorthIn[]): WorthIn[] {
  const by = new Map<string, WorthIn>();
  for (const { currency, count, value } of sums) {
    const sum = by.get(currency) ?? { currency, count: 0, value: 0 };
    by.set(currency, { currency, count: sum.count + count, value: sum.value + value });
  }
  return [...by.values()];
}

/** Firms of a list as a table that can come back. */
export const takeCompaniesOut = (
  database: DataSource,
  { workspaceId }: SignedIn,
  query: CompaniesTakenQuery,
  response: Response,
): Promise<void> =>
  inSnapshot(
    database,
    workspaceId,
    (manager) =>
    writeTable(response, query.format, { name: 'Companies', columns: COMPANY_COLUMNS, withoutId: 'a row without them is not read: a firm comes with the people whose cards name it.' }, listed(manager, workspaceId, query)), // prettier-ignore
  );
