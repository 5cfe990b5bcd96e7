import type { EntityManager } from 'typeorm';
import { addJob } from '../../platform/queue';
import { Workspace } from '../account';
import { Occasion, type Photo } from '../capture';

/** Has cards of a photograph that leave nothing to ask filed without a person, where occasion or workspace let that happen. */
export async function fileCleanSoon(
  manager: EntityManager,
  { workspaceId, occasionId, takenBy }: Pick<Photo, 'workspaceId' | 'occasionId' | 'takenBy'>,
  cardIds: readonly string[],
): Promise<void> {
  const { filesItself } = await manager.findOneByOrFail(Workspace, { id: workspaceId });
  const occasion = occasionId ? await manager.findOneBy(Occasion, { id: occasionId }) : null;
  if (!(occasion?.filesItself ?? filesItself)) return;
  for (const cardId of cardIds)
    await addJob(
      manager,
      'fileClean',
      { workspaceId, cardId, accountId: takenBy },
      { key: `clean:${cardId}`, maxAttempts: 4 },
    );
}
