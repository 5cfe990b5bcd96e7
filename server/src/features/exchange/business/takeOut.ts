import type { BusinessTakenQuery } from '@dossier/contract';
import { BUSINESS_COLUMNS, type TakenOpportunity } from '@dossier/core/exchange/business';
import type { Response } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot } from '../../../platform/workspaceScope';
import { opportunityRows, takenRows, type TakenRow } from '../../pipeline';
import { writeTable } from '../records/writeTable';

const AT_ONCE = 500;

export const takenOf = (row: TakenRow): TakenOpportunity => ({
  id: row.id,
  version: row.version,
  title: row.title,
  company: row.company ?? '',
  value: row.value,
  currency: row.currency,
  expectedOn: row.expected_on,
  chance: row.chance,
  stage: row.stage,
  about: row.about,
  owner: row.owner,
  state: row.state,
  endedAt: row.ended_at,
  reason: row.end_reason ?? '',
  occasion: row.occasion ?? '',
  people: row.people.map(({ name }) => name),
});

/** All of a list, some at a time. */
async function* listed(
  manager: EntityManager,
  workspaceId: string,
  query: BusinessTakenQuery,
): AsyncGenerator<TakenOpportunity[]> {
  let after: readonly [string, string] | null = null;
  for (;;) {
    const rows: Awaited<ReturnType<typeof opportunityRows>> = await opportunityRows(manager, workspaceId, query, after, AT_ONCE); // prettier-ignore
    if (rows.length === 0) return;
    yield (await takenRows(manager, workspaceId, rows.map(({ id }) => id))).map(takenOf); // prettier-ignore
    const last = rows.at(-1)!;
    after = [last.place, last.id];
  }
}

/** Business of a list as a table that can come back. */
export const takeBusinessOut = (
  database: DataSource,
  { workspaceId }: SignedIn,
  query: BusinessTakenQuery,
  response: Response,
): Promise<void> =>
  inSnapshot(
    database,
    workspaceId,
    (manager) =>
    writeTable(response, query.format, { name: 'Business', columns: BUSINESS_COLUMNS, withoutId: 'a row without them is a new opportunity.' }, listed(manager, workspaceId, query)), // prettier-ignore
  );
