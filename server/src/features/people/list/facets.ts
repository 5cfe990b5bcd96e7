import { FACET_NAMES, type Facet, type FacetsQuery, type FacetValue, type PeopleFacets } from '@dossier/contract';
import type { DataSource, EntityManager } from 'typeorm';
import type { z } from 'zod';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot } from '../../../platform/workspaceScope';
import { listSpecOf } from './listSpec';
import { countListed, countMarks, namesOf, type MarkRow } from './queries';

/** So many values of a facet are shown. */
const MOST_VALUES = 60;
/** People behind a value that few have are counted up to here. */
const COUNTED = 5_000;
/** Facets whose values are ids of something with a name. */
const NAMED: Partial<Record<Facet, 'account' | 'occasion' | 'company'>> = {
  owner: 'account',
  occasion: 'occasion',
  company: 'company',
};

/** What people can be narrowed by, with how many are behind each value. */
export function findFacets(
  database: DataSource,
  who: SignedIn,
  query: z.infer<typeof FacetsQuery>,
): Promise<PeopleFacets> {
  return inSnapshot(database, who.workspaceId, async (manager) => {
    const { spec } = await listSpecOf(manager, query);
    const facets = query.facet.length > 0 ? [...new Set(query.facet)] : FACET_NAMES;
    const rows = await countMarks(manager, spec, facets, MOST_VALUES);
    const counted: PeopleFacets['facets'] = [];
    for (const facet of facets) {
      const own = rows.filter((row) => row.facet === facet);
      // What is chosen is told by its name, and can be taken away, also where others have more people.
      for (const value of query[facet].filter((one) => !own.some((row) => row.value === one))) {
        const { people } = await countListed(manager, { ...spec, marks: { ...spec.marks, [facet]: [value] } }, COUNTED);
        own.push({ facet, value, people: String(people), counted: 'exact' });
      }
      const values = await named(manager, who.workspaceId, facet, own);
      counted.push({ facet, counted: own[0]?.counted ?? 'exact', values });
    }
    return { facets: counted };
  });
}

async function named(
  manager: EntityManager,
  workspaceId: string,
  facet: Facet,
  rows: readonly MarkRow[],
): Promise<FacetValue[]> {
  const table = NAMED[facet];
  const ids = rows.map(({ value }) => value);
  const names = new Map(
    table && ids.length > 0 ? (await namesOf(manager, workspaceId, table, ids)).map(({ id, name }) => [id, name]) : [],
  );
  return rows
    .map(({ value, people }) => ({ value, label: names.get(value) ?? value, people: Number(people) }))
    .sort((a, b) => b.people - a.people || a.label.localeCompare(b.label));
}
