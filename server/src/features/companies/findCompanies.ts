import type { CompaniesPage, CompaniesQuery } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { z } from 'zod';
import { decodeKeyset, encodeKeyset } from '../../platform/keyset';
import type { SignedIn } from '../../platform/session';
import { inSnapshot } from '../../platform/workspaceScope';
import { wordsMeant } from '../people';
import { companiesFound, companyRows, type CompanyPlace } from './queries';

const Place = z.tuple([z.number().int(), z.string(), z.uuid()]) satisfies z.ZodType<CompanyPlace>;

/** A page of the firms of the workspace; every word must be found in one of its names, with a slip or two. */
export function findCompanies(database: DataSource, who: SignedIn, query: CompaniesQuery): Promise<CompaniesPage> {
  return inSnapshot(database, who.workspaceId, async (manager) => {
    const words = query.q ? await wordsMeant(manager, query.q) : [];
    // What holds no word is the name of no firm.
    if (query.q && words.length === 0) return { items: [], next: null };
    const by = query.sort ?? (query.q ? 'best' : 'name');
    const after = query.cursor ? decodeKeyset(query.cursor, Place) : undefined;
    const found = await companiesFound(manager, words, query.q, by, after, query.limit + 1);
    const page = found.slice(0, query.limit);
    const last = page.at(-1);
    const rows = await companyRows(manager, who.workspaceId, page.map((row) => row.company_id)); // prettier-ignore
    const byId = new Map(rows.map((row) => [row.id, row]));
    return {
      items: page.flatMap(({ company_id: id, known_as: knownAs }) => {
        const row = byId.get(id);
        return row ? [{ id, name: row.name, people: row.people, town: row.town ?? '', knownAs }] : [];
      }),
      next: found.length > query.limit && last ? encodeKeyset([...last.place, last.company_id]) : null,
    };
  });
}
