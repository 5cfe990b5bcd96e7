import { PlacedOutline } from '@dossier/contract';
import { UnreadablePhoto, type ReadingPool, type ReadPhotoOptions } from '@dossier/reader';
import type { Task } from 'graphile-worker';
import type { DataSource, EntityManager } from 'typeorm';
import { z } from 'zod';
import type { Logger } from '../../platform/logger';
import { storage } from '../../platform/storage';
import { announce } from '../../platform/trayEvents';
import { inWorkspace } from '../../platform/workspaceScope';
import { Photo } from '../capture';
import { storeCards, storeOutlines, type ReadPhoto } from './storeCards';

const Payload = z.object({ photoId: z.uuid(), workspaceId: z.uuid() });

/** Progress is announced in steps of this size, so that a sheet of cards does not flood the line. */
const PROGRESS_STEP = 0.1;

/** What the reading tasks work with. */
export interface ReadingParts {
  database: DataSource;
  pool: ReadingPool;
  logger: Logger;
}

/**
 * Reads one photograph. The last of its tries does not read: a picture that has brought down every
 * worker so far, or failed each time, is shown to a person instead of waiting for ever. Safe to repeat:
 * cards of an earlier, unfinished try cannot exist, since they are stored in the same transaction that
 * marks the photograph as read.
 */
export const readPhotoTask =
  (parts: ReadingParts): Task =>
  async (raw, { job }) => {
    const payload = Payload.parse(raw);
    if (job.attempts >= job.max_attempts) return giveToPerson(parts.database, payload.workspaceId, payload.photoId);
    await read(parts, payload, {}, storeCards);
  };

const OutlinesPayload = Payload.extend({
  outlines: z.string().transform((text) => z.array(PlacedOutline).parse(JSON.parse(text))),
});

/** Reads the cards of a photograph whose borders a person has set. When that fails for good, the cards stay as they were. */
export const readOutlinesTask =
  (parts: ReadingParts): Task =>
  async (raw, { job }) => {
    const { outlines, ...payload } = OutlinesPayload.parse(raw);
    if (job.attempts >= job.max_attempts) return leaveAsItWas(parts.database, payload);
    await read(parts, payload, { outlines }, (manager, found) => storeOutlines(manager, found, outlines));
  };

async function read(
  { database, pool, logger }: ReadingParts,
  { photoId, workspaceId }: z.infer<typeof Payload>,
  options: ReadPhotoOptions,
  store: (manager: EntityManager, found: ReadPhoto) => Promise<void>,
): Promise<void> {
  const bytes = await inWorkspace(database, workspaceId, async (manager) => {
    const photo = await manager.findOneBy(Photo, { id: photoId });
    if (!photo || !['waiting', 'reading'].includes(photo.state)) return undefined;
    const file = photo.fileId && (await storage.get(manager, photo.fileId));
    await manager.update(Photo, { id: photoId }, { state: 'reading', progress: 0.02 });
    await announce(manager, workspaceId, { photoId, state: 'reading', progress: 0.02 });
    return file ? file.bytes : undefined;
  });
  if (!bytes) return;
  const started = performance.now();
  try {
    const onProgress = progressTeller(database, workspaceId, photoId);
    const { read: found } = await pool.read(bytes, { ...options, onProgress });
    await inWorkspace(database, workspaceId, (manager) => store(manager, { photoId, workspaceId, read: found }));
    logger.info({ photoId, cards: found.cards.length, ms: Math.round(performance.now() - started) }, 'photograph read');
  } catch (error) {
    if (!(error instanceof UnreadablePhoto)) throw error;
    await inWorkspace(database, workspaceId, (manager) => markUnreadable(manager, workspaceId, photoId, error.message));
    logger.info({ photoId, code: error.code }, 'photograph cannot be opened');
  }
}

const leaveAsItWas = (database: DataSource, { photoId, workspaceId }: z.infer<typeof Payload>): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    await manager.update(Photo, { id: photoId, state: 'reading' }, { state: 'read', progress: 1 });
    await announce(manager, workspaceId, { photoId, state: 'read', progress: 1 });
  });

const giveToPerson = (database: DataSource, workspaceId: string, photoId: string): Promise<void> =>
  inWorkspace(database, workspaceId, (manager) =>
    markUnreadable(
      manager,
      workspaceId,
      photoId,
      'Dossier could not read this picture. Take it again, or send another copy of it.',
    ),
  );

async function markUnreadable(
  manager: EntityManager,
  workspaceId: string,
  photoId: string,
  message: string,
): Promise<void> {
  await manager.update(Photo, { id: photoId }, { state: 'unreadable', progress: 1, message });
  await announce(manager, workspaceId, { photoId, state: 'unreadable', progress: null });
}

/** Announces progress without holding up the reading; a lost announcement is made good by the next. */
function progressTeller(database: DataSource, workspaceId: string, photoId: string): (share: number) => void {
  let told = 0;
  return (share) => {
    if (share - told < PROGRESS_STEP || share >= 1) return;
    told = share;
    void inWorkspace(database, workspaceId, async (manager) => {
      const result = await manager.update(Photo, { id: photoId, state: 'reading' }, { progress: share });
      if (result.affected) await announce(manager, workspaceId, { photoId, state: 'reading', progress: share });
    }).catch(() => undefined);
  };
}
