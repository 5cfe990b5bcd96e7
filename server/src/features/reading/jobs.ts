import { proposeFields, type ProposeOptions } from '@dossier/core/reading';
import { UnreadablePhoto, type CardRead, type PhotoRead, type ReadingPool } from '@dossier/reader';
import type { Task } from 'graphile-worker';
import type { DataSource, EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import type { Logger } from '../../platform/logger';
import { storage } from '../../platform/storage';
import { announce } from '../../platform/trayEvents';
import { inWorkspace } from '../../platform/workspaceScope';
import { Photo } from '../capture';
import { Card } from './entities';
import { expectationsOf } from './expectations';

const Payload = z.object({ photoId: z.uuid(), workspaceId: z.uuid() });

/** Progress is announced in steps of this size, so that a sheet of cards does not flood the line. */
const PROGRESS_STEP = 0.1;

/**
 * Reads one photograph. The last of its tries does not read: a picture that has brought down every
 * worker so far, or failed each time, is shown to a person instead of waiting for ever. Safe to repeat: cards of an earlier, unfinished try cannot exist, since they
 * are stored in the same transaction that marks the photograph as read.
 */
export function readPhotoTask(database: DataSource, pool: ReadingPool, logger: Logger): Task {
  return async (raw, { job }) => {
    const { photoId, workspaceId } = Payload.parse(raw);
    if (job.attempts >= job.max_attempts) return giveToPerson(database, workspaceId, photoId);
    const begun = await inWorkspace(database, workspaceId, async (manager) => {
      const photo = await manager.findOneBy(Photo, { id: photoId });
      if (!photo || !['waiting', 'reading'].includes(photo.state)) return undefined;
      const file = photo.fileId && (await storage.get(manager, photo.fileId));
      await manager.update(Photo, { id: photoId }, { state: 'reading', progress: 0.02 });
      await announce(manager, workspaceId, { photoId, state: 'reading', progress: 0.02 });
      return file ? { bytes: file.bytes, takenAt: photo.takenAt } : undefined;
    });
    if (!begun) return;
    const started = performance.now();
    try {
      const { read } = await pool.read(begun.bytes, { onProgress: progressTeller(database, workspaceId, photoId) });
      await inWorkspace(database, workspaceId, (manager) =>
        storeCards(manager, { photoId, workspaceId, ...begun }, read),
      );
      logger.info(
        { photoId, cards: read.cards.length, ms: Math.round(performance.now() - started) },
        'photograph read',
      );
    } catch (error) {
      if (!(error instanceof UnreadablePhoto)) throw error;
      await inWorkspace(database, workspaceId, (manager) =>
        markUnreadable(manager, workspaceId, photoId, error.message),
      );
      logger.info({ photoId, code: error.code }, 'photograph cannot be opened');
    }
  };
}

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

interface Owner {
  photoId: string;
  workspaceId: string;
  takenAt: Date;
}

async function storeCards(manager: EntityManager, owner: Owner, read: PhotoRead): Promise<void> {
  const photo = await manager.findOne(Photo, { where: { id: owner.photoId }, lock: { mode: 'pessimistic_write' } });
  if (photo?.state !== 'reading') return;
  const cards = read.cards.length > 0 ? read.cards : [read.whole];
  const expected = await expectationsOf(manager, owner.workspaceId, photo.occasionId);
  for (const card of cards) await storeCard(manager, { ...owner, occasionId: photo.occasionId }, read, card, expected);
  await manager.update(Photo, { id: owner.photoId }, { state: 'read', progress: 1 });
  await announce(manager, owner.workspaceId, { photoId: owner.photoId, state: 'read', progress: 1 });
}

async function storeCard(
  manager: EntityManager,
  owner: Owner & { occasionId: string | null },
  read: PhotoRead,
  card: CardRead,
  expected: ProposeOptions,
): Promise<void> {
  const { workspaceId, photoId, occasionId, takenAt } = owner;
  const needsPerson = read.cards.length === 0;
  const proposal = proposeFields(card.reading, expected);
  const [fileId, thumbnailId] = [uuidv7(), uuidv7()];
  await storage.put(manager, { id: fileId, workspaceId, type: 'image/jpeg', bytes: card.picture });
  await storage.put(manager, { id: thumbnailId, workspaceId, type: 'image/jpeg', bytes: card.thumbnail });
  await manager.insert(Card, {
    id: uuidv7(),
    workspaceId,
    photoId,
    occasionId,
    fileId,
    thumbnailId,
    state: needsPerson || proposal.fields.length === 0 ? 'needsPerson' : 'toProve',
    quad: needsPerson ? null : card.quad,
    reading: card.reading,
    proposals: proposal.fields,
    country: proposal.country ?? null,
    engine: read.engine,
    personId: null,
    frontCardId: null,
    takenAt,
  });
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
