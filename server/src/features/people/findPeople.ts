import { fold } from '@dossier/core/text';
import type { PeoplePage, PeopleQuery, PersonSummary } from '@dossier/contract';
import type { DataSource, EntityManager } from 'typeorm';
import { z } from 'zod';
import { decodeKeyset, encodeKeyset } from '../../platform/keyset';
import type { SignedIn } from '../../platform/session';
import { inSnapshot } from '../../platform/workspaceScope';

interface Row {
  id: string;
  kind: PersonSummary['kind'];
  full_name: string;
  sort_name: string;
  title: string | null;
  company: string | null;
  card_id: string | null;
  updated_at: Date;
}

const SUMMARY = `
  select p.id, p.kind, p.full_name, p.sort_name, p.updated_at, p.version, e.title, c.name as company,
    (select k.id from card k where k.person_id = p.id and k.file_id is not null order by k.taken_at desc limit 1) as card_id
  from person p
  left join employment e on e.person_id = p.id and e.ended_at is null
  left join company c on c.id = e.company_id`;

/**
 * People in order of family name, one keyset page at a time. Every word of the query must occur in
 * the name, the company, an e-mail address or a phone number; case, accents and the punctuation of
 * numbers do not matter.
 */
export function findPeople(
  database: DataSource,
  who: SignedIn,
  query: z.infer<typeof PeopleQuery>,
): Promise<PeoplePage> {
  return inSnapshot(database, who.workspaceId, async (manager) => {
    const [afterName, afterId] = query.cursor ? decodeKeyset(query.cursor, PLACE) : [null, null];
    const [found] = await manager.query<{ total: string; ids: string[] }[]>(
      'select total, ids from find_people($1, $2, $3, $4)',
      [searchPatterns(query.q), afterName, afterId, query.limit + 1],
    );
    const { total, ids } = found!;
    const rows = await manager.query<Row[]>(
      `${SUMMARY} where p.id = any($1::uuid[]) order by p.sort_name, p.id limit ${query.limit}`,
      [ids],
    );
    const last = rows[rows.length - 1];
    const next = ids.length > query.limit && last ? encodeCursor(last) : null;
    return { items: rows.map(summary), total: Number(total), next };
  });
}

const summary = (row: Row): PersonSummary => ({
  id: row.id,
  kind: row.kind,
  fullName: row.full_name,
  title: row.title ?? '',
  company: row.company ?? '',
  cardId: row.card_id,
  updatedAt: row.updated_at.toISOString(),
});

/** People as lists show them, with their versions, by id. */
export async function summariesOf(
  manager: EntityManager,
  ids: readonly string[],
): Promise<Map<string, PersonSummary & { version: number }>> {
  const rows = await manager.query<(Row & { version: number })[]>(`${SUMMARY} where p.id = any($1)`, [ids]);
  return new Map(rows.map((row) => [row.id, { ...summary(row), version: row.version }]));
}

const escapeLike = (text: string): string => text.replace(/[\\%_]/g, '\\$&');

/** Numbers are looked for without blanks and signs, words one by one. */
function searchPatterns(q: string): string[] {
  const folded = fold(q).trim();
  if (!folded) return [];
  const digits = folded.replace(/\D/g, '');
  if (digits.length >= 4 && /^[+\d\s().\-/]+$/.test(folded)) {
    return [`%${escapeLike(digits.replace(/^0+/, ''))}%`];
  }
  return folded.split(/\s+/).map((word) => `%${escapeLike(word)}%`);
}

/** By which the list is ordered: name, then id. */
const PLACE = z.tuple([z.string(), z.uuid()]);
const encodeCursor = (row: Row): string => encodeKeyset([row.sort_name, row.id]);
