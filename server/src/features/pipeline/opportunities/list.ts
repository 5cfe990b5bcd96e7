import type { Board, BoardQuery, OpportunityPage, OpportunityQuery } from '@dossier/contract';
import { togetherIn } from '@dossier/core/pipeline';
import type { DataSource, EntityManager } from 'typeorm';
import { z } from 'zod';
import { decodeKeyset, encodeKeyset } from '../../../platform/keyset';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot } from '../../../platform/workspaceScope';
import { Workspace } from '../../account';
import { Stage } from '../entities';
import { boardRows, hopedByStage, listedSums, opportunityRows } from '../queries';
import { haveStages } from '../settings/stages';
import { listedOpportunity, sumsOfRows } from './views';

/** So many of a stage are on the board; the list has the others. */
const SHOWN = 60;
const Place = z.tuple([z.string().max(300), z.uuid()]);

export const allStages = async (manager: EntityManager, workspaceId: string): Promise<Map<string, Stage>> =>
  new Map(
    (await manager.find(Stage, { where: { workspaceId }, order: { position: 'ASC', id: 'ASC' } })).map((stage) => [stage.id, stage]), // prettier-ignore
  );

/** What is open, by stage, with what it is worth. */
export async function board(database: DataSource, { workspaceId }: SignedIn, query: BoardQuery): Promise<Board> {
  await haveStages(database, workspaceId);
  return inSnapshot(database, workspaceId, async (manager) => {
    const now = new Date();
    const stages = await allStages(manager, workspaceId);
    const hoped = await hopedByStage(manager, workspaceId, query);
    const rows = await boardRows(manager, workspaceId, query, SHOWN);
    const { currency, rates } = await manager.findOneByOrFail(Workspace, { id: workspaceId });
    const columns = [...stages.values()].flatMap((stage): Board['columns'] => {
      const own = hoped.filter(({ stage_id: id }) => id === stage.id);
      // A stage that is no more is shown as long as something is in it.
      if (stage.removedAt && own.length === 0) return [];
      const { id, name, chance, staleDays } = stage;
      return [
        {
          stage: { id, name, chance, staleDays },
          count: own.reduce((sum, { count }) => sum + count, 0),
          sums: sumsOfRows(own),
          items: rows.filter(({ stage_id: of }) => of === id).map((row) => listedOpportunity(row, stages, now)),
        },
      ];
    });
    return { columns, together: togetherIn(currency, rates, sumsOfRows(hoped)) };
  });
}

export async function listOpportunities(
  database: DataSource,
  { workspaceId }: SignedIn,
  query: OpportunityQuery,
): Promise<OpportunityPage> {
  await haveStages(database, workspaceId);
  return inSnapshot(database, workspaceId, async (manager) => {
    const now = new Date();
    const stages = await allStages(manager, workspaceId);
    const after = query.cursor ? decodeKeyset(query.cursor, Place) : null;
    const rows = await opportunityRows(manager, workspaceId, query, after, query.limit + 1);
    const sums = await listedSums(manager, workspaceId, query);
    const last = rows.length > query.limit ? rows[query.limit - 1] : undefined;
    return {
      items: rows.slice(0, query.limit).map((row) => listedOpportunity(row, stages, now)),
      total: sums.reduce((sum, { count }) => sum + count, 0),
      sums: sumsOfRows(sums),
      next: last ? encodeKeyset([last.place, last.id]) : null,
    };
  });
}
