import { PhotoOutlines } from '@dossier/contract';
import type { Quad } from '@dossier/core/capture';
import { looksLikeCard, proposeFields } from '@dossier/core/reading';
import type { PhotoReader } from '@dossier/reader';
import type { Task } from 'graphile-worker';
import type { DataSource, EntityManager } from 'typeorm';
import { z } from 'zod';
import { addJob } from '../../platform/queue';
import { storage } from '../../platform/storage';
import { announce } from '../../platform/trayEvents';
import { inWorkspace } from '../../platform/workspaceScope';
import { lockPhotos, Photo } from '../capture';
import { afterAll, givesWay, SOON_MS } from './idle';

const ATTEMPTS = 3;

const Payload = z.object({
  photoId: z.uuid(),
  workspaceId: z.uuid(),
  since: z.coerce.date(),
  beside: z.string().transform((text) => PhotoOutlines.shape.perhaps.parse(JSON.parse(text))),
});

/** Has what is printed beside the cards of a photograph looked at when nothing else is to be read. */
export async function lookBesideSoon(
  manager: EntityManager,
  { id, workspaceId }: Pick<Photo, 'id' | 'workspaceId'>,
  beside: readonly Quad[],
  { since = new Date(), runAt }: { since?: Date; runAt?: Date } = {},
): Promise<void> {
  const payload = { photoId: id, workspaceId, since: since.toISOString(), beside: JSON.stringify(beside) };
  if (beside.length > 0) await addJob(manager, 'lookBeside', payload, { key: `beside:${id}`, maxAttempts: ATTEMPTS, runAt, ...afterAll(workspaceId) }); // prettier-ignore
}

/** Reads what is printed beside the cards; where that is like a card a person is asked whether it is one that was missed. */
export const lookBesideTask =
  ({ database, reader }: { database: DataSource; reader: PhotoReader }): Task =>
  async (raw) => {
    const { photoId, workspaceId, since, beside } = Payload.parse(raw);
    const isEarly = await givesWay(database, since);
    const bytes = await inWorkspace(database, workspaceId, async (manager) => {
      const photo = await manager.findOneBy(Photo, { id: photoId, state: 'read' });
      if (!photo?.fileId) return undefined;
      if (isEarly) {
        await lookBesideSoon(manager, photo, beside as Quad[], { since, runAt: new Date(Date.now() + SOON_MS) });
        return undefined;
      }
      return (await storage.get(manager, photo.fileId))?.bytes;
    });
    if (!bytes) return;
    const { read } = await reader.read(bytes, { outlines: beside.map((quad) => ({ quad: quad as Quad, upright: false })) }); // prettier-ignore
    const perhaps = read.cards.filter(({ reading }) => looksLikeCard(proposeFields(reading))).map(({ quad }) => quad);
    if (perhaps.length === 0) return;
    await inWorkspace(database, workspaceId, async (manager) => {
      const [photo] = await lockPhotos(manager, [photoId]);
      if (photo?.state !== 'read') return;
      await manager.update(Photo, { id: photoId }, { perhaps });
      await announce(manager, workspaceId, { photoId, state: 'changed', progress: null });
    });
  };
