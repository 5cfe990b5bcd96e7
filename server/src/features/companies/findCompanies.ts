import type { CompaniesPage, CompaniesQuery, ListedCompany } from '@dossier/contract';
import type { DataSource, EntityManager } from 'typeorm';
import { z } from 'zod';
import { decodeKeyset, encodeKeyset } from '../../platform/keyset';
import type { SignedIn } from '../../platform/session';
import { inSnapshot } from '../../platform/workspaceScope';
import { wordsMeant } from '../people';
import { companiesFound, companyRows, type CompanyPlace } from './queries';

const Place = z.tuple([z.number().int(), z.string(), z.uuid()]) satisfies z.ZodType<CompanyPlace>;

/** A page of the firms of the workspace; every word must be found in one of its names, with a slip or two. */
export const findCompanies = (database: DataSource, who: SignedIn, query: CompaniesQuery): Promise<CompaniesPage> =>
  inSnapshot(database, who.workspaceId, async (manager) => {
    const after = query.cursor ? decodeKeyset(query.cursor, Place) : undefined;
    const { items, next } = await listedCompanies(manager, who.workspaceId, query, after, query.limit);
    return { items, next: next ? encodeKeyset(next) : null };
  });

/** Firms of a list from a place in it on. @returns the place behind them, while there are more */
export async function listedCompanies(
  manager: EntityManager,
  workspaceId: string,
  { q, sort }: Pick<CompaniesQuery, 'q' | 'sort'>,
  after: CompanyPlace | undefined,
  atMost: number,
): Promise<{ items: ListedCompany[]; next: CompanyPlace | null }> {
  const words = q ? await wordsMeant(manager, q) : [];
  // What holds no word is the name of no firm.
  if (q && words.length === 0) return { items: [], next: null };
  const found = await companiesFound(manager, words, q, sort ?? (q ? 'best' : 'name'), after, atMost + 1);
  const page = found.slice(0, atMost);
  const last = page.at(-1);
  const rows = await companyRows(manager, workspaceId, page.map((row) => row.company_id)); // prettier-ignore
  const byId = new Map(rows.map((row) => [row.id, row]));
  return {
    items: page.flatMap(({ company_id: id, known_as: knownAs }) => {
      const row = byId.get(id);
      return row ? [{ id, name: row.name, people: row.people, town: row.town ?? '', knownAs }] : [];
    }),
    next: found.length > atMost && last ? [...last.place, last.company_id] : null,
  };
}
