import type { Counted, ListedPerson, PeoplePage, PeopleQuery } from '@dossier/contract';
import { whereFound, type SearchTerms } from '@dossier/core/people/search';
import type { DataSource, EntityManager } from 'typeorm';
import { z } from 'zod';
import { decodeKeyset, encodeKeyset } from '../../../platform/keyset';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot } from '../../../platform/workspaceScope';
import { listSpecOf, ORDERS } from './listSpec';
import type { ListColumn, ListSpec } from './spec';
import { countListed, listedRows, listPeople, MOST_FOUND, toldTexts, type ListedRow, type ListPlace } from './queries';

/** Beyond, a list says about how many there are. */
const COUNTED_EXACTLY = 5_000;

/**
 * A page of the people who are meant. Every word and number of the query must be found, with a slip or two; without an order who
 * fits it best comes first.
 */
export function findPeople(
  database: DataSource,
  who: SignedIn,
  query: z.infer<typeof PeopleQuery>,
): Promise<PeoplePage> {
  return inSnapshot(database, who.workspaceId, async (manager) => {
    const { spec, terms } = await listSpecOf(manager, query);
    const order = orderOf(query, spec);
    const after = query.cursor ? decodeKeyset<ListPlace>(query.cursor, PLACES[order.by]) : undefined;
    const found = await listPeople(manager, spec, order, after, query.limit + 1);
    const page = found.slice(0, query.limit);
    const last = page.at(-1);
    const next = found.length > query.limit && last ? encodeKeyset([...last.place, last.person_id]) : null;
    const { people, counted } = countedBy(found, query) ?? (await countListed(manager, spec, COUNTED_EXACTLY));
    const items = await listed(manager, who.workspaceId, page.map((row) => row.person_id), terms); // prettier-ignore
    return { items, total: people, counted, next };
  });
}

/** How many there are, where finding a page has told it. */
function countedBy(
  found: readonly { among: string | null }[],
  { cursor, limit }: z.infer<typeof PeopleQuery>,
): { people: number; counted: Counted } | undefined {
  // A whole list on one page.
  if (!cursor && found.length <= limit) return { people: found.length, counted: 'exact' };
  const among = found[0]?.among;
  return among ? { people: Number(among), counted: Number(among) < MOST_FOUND ? 'exact' : 'least' } : undefined;
}

function orderOf({ sort }: z.infer<typeof PeopleQuery>, spec: ListSpec) {
  if (!sort && spec.words.length > 0) return { by: 'best' as const, backwards: false };
  const { by, mostFirst } = ORDERS[sort?.by ?? 'name'];
  return { by, backwards: Boolean(sort?.backwards) !== mostFirst };
}

const ByText = z.tuple([z.string(), z.uuid()]);
const ByTime = z.tuple([z.string().regex(/^\d{4}-\d\d-\d\d [\d:.]+[+-][\d:]+$/), z.uuid()]);
const PLACES: Record<ListColumn | 'best', z.ZodType<ListPlace>> = {
  best: z.tuple([z.number().int(), z.string(), z.uuid()]),
  sort_name: ByText,
  sort_company: ByText,
  filed_at: ByTime,
  touched_at: ByTime,
  next_on: z.tuple([z.union([z.literal('infinity'), z.iso.date()]), z.uuid()]),
};

/** People in the order of their ids, with where they were found. */
async function listed(
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
  terms: SearchTerms,
): Promise<ListedPerson[]> {
  const rows = new Map((await listedRows(manager, workspaceId, ids)).map((row) => [row.id, row]));
  const isSearch = terms.words.length + terms.numbers.length > 0;
  const texts = new Map<string, { field: string; text: string }[]>();
  for (const { person_id, ...told } of isSearch ? await toldTexts(manager, workspaceId, ids) : [])
    texts.set(person_id, [...(texts.get(person_id) ?? []), told]);
  return ids.flatMap((id) => {
    const row = rows.get(id);
    if (!row) return [];
    const shown = [
      { field: 'fullName', text: row.full_name },
      { field: 'company', text: row.company ?? '' },
      { field: 'title', text: row.title ?? '' },
    ];
    return [{ ...listedPerson(row), found: isSearch ? whereFound(terms, [...shown, ...(texts.get(id) ?? [])]) : [] }];
  });
}

const listedPerson = (row: ListedRow): Omit<ListedPerson, 'found'> => ({
  id: row.id,
  version: row.version,
  kind: row.kind,
  fullName: row.full_name,
  givenName: row.given_name,
  familyName: row.family_name,
  title: row.title ?? '',
  department: row.department ?? '',
  company: row.company ?? '',
  companyId: row.company_id,
  email: row.email ?? '',
  phone: row.phone ?? '',
  phoneExtension: row.phone_extension ?? '',
  street: row.street,
  postalCode: row.postal_code,
  town: row.locality,
  region: row.region,
  country: row.country,
  rating: row.rating,
  ownerId: row.owner_id,
  tags: row.tags,
  occasionIds: row.occasion_ids,
  cardId: row.card_id,
  filedAt: row.created_at.toISOString(),
  touchedAt: row.touched_at.toISOString(),
  nextOn: row.next_on,
});
