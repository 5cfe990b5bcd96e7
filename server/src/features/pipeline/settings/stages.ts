import { IsNull, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { inWorkspace } from '../../../platform/workspaceScope';
import { Stage } from '../entities';
import { lockStages } from '../queries';

/** What a team begins with, until it says otherwise. */
const BEGINNING = [
  { name: 'First talk', chance: 10, staleDays: 14 },
  { name: 'Needs clear', chance: 30, staleDays: 21 },
  { name: 'Offer out', chance: 55, staleDays: 21 },
  { name: 'Nearly agreed', chance: 85, staleDays: 14 },
] as const;

export const stagesIn = (manager: EntityManager, workspaceId: string): Promise<Stage[]> =>
  manager.find(Stage, { where: { workspaceId, removedAt: IsNull() }, order: { position: 'ASC', id: 'ASC' } });

/** A team has stages from the first moment on. */
export async function haveStages(database: DataSource, workspaceId: string): Promise<void> {
  await inWorkspace(database, workspaceId, async (manager) => {
    if (await manager.existsBy(Stage, { workspaceId })) return;
    await lockStages(manager, workspaceId);
    if (await manager.existsBy(Stage, { workspaceId })) return;
    await manager.insert(
      Stage,
      BEGINNING.map((stage, position) => ({ ...stage, id: uuidv7(), workspaceId, position, removedAt: null })),
    );
  });
}
