import type { Task } from 'graphile-worker';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { z } from 'zod';
import { Workspace } from '../account';
import { Photo } from '../capture';
import { Card } from '../reading';
import { applyToPast } from './applyToPast';
import type { Logger } from '../../platform/logger';
import { addJob } from '../../platform/queue';
import { storage } from '../../platform/storage';
import { inWorkspace } from '../../platform/workspaceScope';

const ATTEMPTS = 8;
/** What was taken out of the tray can be put back with its picture for so long. */
const DISCARDED_FOR = '24 hours';
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
  const photos = await manager.query<PhotoFiles[]>(
    `select photo.id, photo.file_id, photo.thumbnail_id, photo.display_id
     from photo
     where photo.workspace_id = $1 and photo.file_id is not null
       and ((photo.state = 'read'
             and exists (select from card where card.photo_id = photo.id and card.state = 'filed')
             and not exists (
               select from card where card.photo_id = photo.id
                 and (card.state in ('toProve', 'needsPerson', 'setAside')
                      or (card.state = 'filed' and card.kept = 'photo' and (card.keep_until is null or card.keep_until > now()))
                      or (card.state = 'attached' and exists (
                        select from card front where front.id = card.front_card_id and front.state <> 'filed')))))
            or (photo.state in ('read', 'discarded')
                and not exists (select from card where card.photo_id = photo.id
                                  and (card.state <> 'discarded' or card.discarded_at > now() - interval '${DISCARDED_FOR}'))
                and coalesce(photo.discarded_at, photo.received_at) < now() - interval '${DISCARDED_FOR}'))
     order by photo.id limit ${BATCH} for update of photo skip locked`,
    [workspaceId],
  );
  const cards = await manager.query<{ id: string; file_id: string; thumbnail_id: string | null }[]>(
    `select card.id, card.file_id, card.thumbnail_id
     from card
     where card.workspace_id = $1 and card.file_id is not null
       and ((card.state = 'filed' and (card.kept = 'none' or card.keep_until < now()))
            or (card.state = 'discarded' and card.discarded_at < now() - interval '${DISCARDED_FOR}'))
     order by card.id limit ${BATCH} for update of card skip locked`,
    [workspaceId],
  );
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

interface PhotoFiles {
  id: string;
  file_id: string;
  thumbnail_id: string | null;
  display_id: string | null;
}
