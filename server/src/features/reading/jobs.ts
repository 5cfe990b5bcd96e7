import { PlacedOutline } from '@dossier/contract';
import { ReadingProcessEnded, UnreadablePhoto, type PhotoReader, type ReadPhotoOptions } from '@dossier/reader';
import type { Task } from 'graphile-worker';
import type { DataSource, EntityManager } from 'typeorm';
import { z } from 'zod';
import { codeOf, databaseTrouble, isOfDatabase } from '../../platform/databaseTrouble';
import type { Logger } from '../../platform/logger';
import { storage } from '../../platform/storage';
import { announce } from '../../platform/trayEvents';
import { inWorkspace } from '../../platform/workspaceScope';
import { lockPhotos, Photo, photoStates } from '../capture';
import { Card } from './entities';
import { type NewCards, type ReadPhoto, storeCards, storeOutlines } from './storeCards';

const Payload = z.object({ photoId: z.uuid(), workspaceId: z.uuid() });

/** Progress is announced in steps of this size, so that a sheet of cards does not flood the line. */
const PROGRESS_STEP = 0.1;

/** What the reading tasks work with. */
export interface ReadingParts {
  database: DataSource;
  reader: PhotoReader;
  logger: Logger;
  /** What becomes of new cards, in the transaction that stores them: reading knows nothing of the rooms behind it. */
  onNewCards: (manager: EntityManager, found: NewCards) => Promise<void>;
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
    await read(parts, payload, {}, async (manager, found) => {
      const stored = await storeCards(manager, found);
      if (stored) await parts.onNewCards(manager, stored);
    });
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
  { database, reader, logger }: ReadingParts,
  { photoId, workspaceId }: z.infer<typeof Payload>,
  options: ReadPhotoOptions,
  store: (manager: EntityManager, found: ReadPhoto) => Promise<void>,
): Promise<void> {
  const bytes = await inWorkspace(database, workspaceId, async (manager) => {
    const [photo] = await lockPhotos(manager, [photoId]);
    if (!photo || !['waiting', 'reading'].includes(photo.state)) return undefined;
    const file = photo.fileId ? await storage.get(manager, photo.fileId) : undefined;
    await photoStates.move(manager, photoId, 'reading', { progress: 0.02 });
    await announce(manager, workspaceId, { photoId, state: 'reading', progress: 0.02 });
    // Its picture went with somebody who was forgotten: what is known of it stays.
    if (!file) await endReading(manager, photo);
    return file?.bytes;
  });
  if (!bytes) return;
  const started = performance.now();
  try {
    const onProgress = progressTeller(database, workspaceId, photoId);
    const { read: found } = await reader.read(bytes, { ...options, onProgress });
    await inWorkspace(database, workspaceId, (manager) => store(manager, { photoId, workspaceId, read: found }));
    logger.info({ photoId, cards: found.cards.length, ms: Math.round(performance.now() - started) }, 'photograph read');
  } catch (error) {
    if (mayGoWellLater(error)) throw error;
    const known = error instanceof UnreadablePhoto;
    await inWorkspace(database, workspaceId, (manager) =>
      fail(manager, workspaceId, photoId, known ? error.message : NOT_READ),
    );
    if (known) logger.info({ photoId, code: error.code }, 'photograph cannot be opened');
    else logger.error({ photoId, err: error }, 'photograph cannot be read');
  }
}

/** A process that was ended and a database that is away come again; what a picture itself is the cause of does not. */
const mayGoWellLater = (error: unknown): boolean =>
  error instanceof ReadingProcessEnded || databaseTrouble(error) !== undefined || isOfStorage(error);

/** Refused by the database for another reason than what was to be written (SQLSTATE classes 22 and 23). */
const isOfStorage = (error: unknown): boolean => isOfDatabase(error) && !/^2[23]/.test(codeOf(error) ?? '');

const leaveAsItWas = (database: DataSource, { photoId, workspaceId }: z.infer<typeof Payload>): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const [photo] = await lockPhotos(manager, [photoId]);
    if (photo?.state === 'reading') await endReading(manager, photo);
  });

/** A photograph that is not read on: with cards it is as it was before, without any it is out of the tray. */
async function endReading(manager: EntityManager, { id: photoId, workspaceId }: Photo): Promise<void> {
  const hasCards = await manager.existsBy(Card, { photoId });
  if (hasCards) await photoStates.move(manager, photoId, 'read', { progress: 1 });
  else await photoStates.move(manager, photoId, 'discarded', { discardedAt: new Date() });
  await announce(manager, workspaceId, {
    photoId,
    state: hasCards ? 'read' : 'changed',
    progress: hasCards ? 1 : null,
  });
}

/** The cards of a photograph that was read before stay as they were; one that never was is shown to a person. */
async function fail(manager: EntityManager, workspaceId: string, photoId: string, message: string): Promise<void> {
  const [photo] = await lockPhotos(manager, [photoId]);
  if (photo?.state === 'reading' && (await manager.existsBy(Card, { photoId }))) await endReading(manager, photo);
  else await markUnreadable(manager, workspaceId, photoId, message);
}

const giveToPerson = (database: DataSource, workspaceId: string, photoId: string): Promise<void> =>
  inWorkspace(database, workspaceId, (manager) => markUnreadable(manager, workspaceId, photoId, NOT_READ));

const NOT_READ = 'Dossier could not read this picture. Take it again, or send another copy of it.';

async function markUnreadable(
  manager: EntityManager,
  workspaceId: string,
  photoId: string,
  message: string,
): Promise<void> {
  // One that was taken out of the tray meanwhile stays out of it.
  if (!(await photoStates.moveIfMay(manager, photoId, 'unreadable', { progress: 1, message }))) return;
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
