import type { PersonSummary } from '@dossier/contract';
import type { EntityManager } from 'typeorm';
import { summaryRows, type SummaryRow } from './queries';

const summary = (row: SummaryRow): PersonSummary => ({
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
  workspaceId: string,
  ids: readonly string[],
): Promise<Map<string, PersonSummary & { version: number }>> {
  const rows = await summaryRows(manager, workspaceId, ids);
  return new Map(rows.map((row) => [row.id, { ...summary(row), version: row.version }]));
}
