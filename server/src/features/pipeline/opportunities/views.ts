import type { ListedOpportunity } from '@dossier/contract';
import { chanceOf, isStale, sumsOf, type Sum } from '@dossier/core/pipeline';
import type { Stage } from '../entities';
import type { OpportunityRow } from '../queries';

/** A piece of business as lists show it. @param stages all that there ever were */
export function listedOpportunity(
  row: OpportunityRow,
  stages: ReadonlyMap<string, Pick<Stage, 'chance' | 'staleDays'>>,
  now: Date,
): ListedOpportunity {
  const stage = stages.get(row.stage_id)!;
  return {
    id: row.id,
    title: row.title,
    company: row.company_id ? { id: row.company_id, name: row.company ?? '' } : null,
    stageId: row.stage_id,
    state: row.state,
    value: row.value,
    currency: row.currency,
    chance: chanceOf(row, stage),
    expectedOn: row.expected_on,
    owner: { id: row.owner_id, name: row.owner },
    stageSince: row.stage_since.toISOString(),
    endedAt: row.ended_at?.toISOString() ?? null,
    isStale: isStale({ state: row.state, stageSince: row.stage_since }, stage, now),
    next: row.next_text === null ? null : { text: row.next_text, dueOn: row.next_on },
    people: row.people,
    version: row.version,
  };
}

/** Sums of what was added up by currency and chance already. */
export const sumsOfRows = (rows: readonly { currency: string; chance: number; value: string }[]): Sum[] =>
  sumsOf(rows.map(({ value, ...rest }) => ({ ...rest, value: Number(value) })));
