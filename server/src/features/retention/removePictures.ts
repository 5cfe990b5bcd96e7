import type { Task } from 'graphile-worker';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { z } from 'zod';
import type { Logger } from '../../platform/logger';
import { addJob } from '../../platform/queue';
import { storage } from '../../platform/storage';
import { inWorkspace } from '../../platform/workspaceScope';
import { Workspace } from '../account';
import { Photo } from '../capture';
import { Card } from '../reading';
import { applyToPast } from './applyToPast';
import { cardsToClear, photosToClear } from './queries';

const ATTEMPTS = 8;
/** So many pictures are removed in one transaction. */
const BATCH = 200;

/** Has a workspace's pictures looked through soon; asked for several times it is done once. */
export const removePicturesSoon = (manager: EntityManager, workspaceId: string): Promise<void> =>
  addJob(manager, 'removePictures', { workspaceId }, { key: `pictures:${workspaceId}`, maxAttempts: ATTEMPTS });

const Payload = z.object({ workspaceId: z.uuid().optional() });

/**
 * Removes the bytes of pictures that are no longer to be kept: as was decided when their cards were filed, and what was taken out of
 * the tray a day ago. What was read stays. Without a workspace all are looked through.
 */
export function removePicturesTask(database: DataSource, logger: Logger): Task {
  return async (raw) => {
    const { workspaceId } = Payload.parse(raw ?? {});
    const workspaces = await database
      .getRepository(Workspace)
      .find({ where: workspaceId ? { id: workspaceId } : {}, select: { id: true } });
    for (const { id } of workspaces) {
      await inWorkspace(database, id, (manager) => applyToPast(manager, id));
      let removed = 0;
      for (let some = BATCH; some === BATCH; removed += some)
        some = await inWorkspace(database, id, (manager) => removeSome(manager, id));
      if (removed > 0) logger.info({ workspaceId: id, removed }, 'pictures removed');
    }
  };
}

/** @returns of how many photographs and cards */
async function removeSome(manager: EntityManager, workspaceId: string): Promise<number> {
  const photos = await photosToClear(manager, workspaceId, BATCH);
  const cards = await cardsToClear(manager, workspaceId, BATCH);
  await manager.update(
    Photo,
    { id: In(photos.map((p) => p.id)) },
    { fileId: null, thumbnailId: null, displayId: null },
  );
  await manager.update(Card, { id: In(cards.map((c) => c.id)) }, { fileId: null, thumbnailId: null });
  await storage.remove(manager, [
    ...cards.flatMap((c) => [c.file_id, c.thumbnail_id]),
    ...photos.flatMap((p) => [p.file_id, p.thumbnail_id, p.display_id]),
  ]);
  return Math.max(cards.length, photos.length);
}
