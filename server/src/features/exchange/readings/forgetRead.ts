import { In, LessThan, type DataSource } from 'typeorm';
import { inWorkspace } from '../../../platform/workspaceScope';
import { storage } from '../../../platform/storage';
import { Workspace } from '../../account';
import { Photo } from '../../capture';
import { Card } from '../../reading';
import { AskedReadingRecord } from './entities';

/** So long what was only to be read can be asked for. */
const KEPT_FOR_MS = 24 * 60 * 60 * 1000;
const AT_ONCE = 200;

/** Forgets what was only to be read, with its pictures, a day later. @returns how many readings */
export async function forgetRead(database: DataSource): Promise<number> {
  let forgotten = 0;
  for (const { id: workspaceId } of await database.getRepository(Workspace).find({ select: { id: true } }))
    for (let some = AT_ONCE; some === AT_ONCE; forgotten += some) some = await forgetSome(database, workspaceId);
  return forgotten;
}

const forgetSome = (database: DataSource, workspaceId: string): Promise<number> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const before = LessThan(new Date(Date.now() - KEPT_FOR_MS));
    const asked = await manager.find(AskedReadingRecord, { where: { workspaceId, file: 'no', madeAt: before }, take: AT_ONCE }); // prettier-ignore
    const askedIds = In(asked.map(({ id }) => id));
    // Also those whose asking is known no more, as of a workspace that was put back from a backup.
    const photos = await manager.find(Photo, {
      where: [
        { workspaceId, id: askedIds },
        { workspaceId, inTray: false, receivedAt: before },
      ],
      take: AT_ONCE,
    });
    const ids = [...new Set([...asked, ...photos].map(({ id }) => id))];
    const cards = await manager.find(Card, { where: [{ photoId: In(ids) }, { id: In(ids) }] });
    // Those that somebody has taken into the tray after all stay.
    const kept = new Set(cards.filter(({ state }) => state !== 'discarded').map(({ photoId, id }) => photoId ?? id));
    const goes = (id: string) => !kept.has(id);
    await manager.delete(Card, { id: In(cards.filter(({ photoId, id }) => goes(photoId ?? id)).map(({ id }) => id)) });
    await manager.delete(Photo, { id: In(photos.filter(({ id }) => goes(id)).map(({ id }) => id)) });
    await storage.remove(manager, [
      ...cards.filter(({ photoId, id }) => goes(photoId ?? id)).flatMap(({ fileId, thumbnailId }) => [fileId, thumbnailId]), // prettier-ignore
      ...photos.filter(({ id }) => goes(id)).flatMap(({ fileId, thumbnailId, displayId }) => [fileId, thumbnailId, displayId]), // prettier-ignore
    ]);
    await manager.update(Photo, { id: In([...kept]) }, { inTray: true });
    await manager.delete(AskedReadingRecord, { id: In(ids) });
    return ids.length;
  });
