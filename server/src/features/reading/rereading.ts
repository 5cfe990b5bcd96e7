import { proposeFields, proposeSides, type Reading, type SecondReading } from '@dossier/core/reading';
import { writableIn } from '@dossier/core/text';
import type { PhotoReader } from '@dossier/reader';
import { UnreadablePhoto } from '@dossier/reader/errors';
import type { Task } from 'graphile-worker';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { z } from 'zod';
import { addJob } from '../../platform/queue';
import { storage } from '../../platform/storage';
import { announce } from '../../platform/trayEvents';
import { inWorkspace } from '../../platform/workspaceScope';
import { Workspace } from '../account';
import { IN_TRAY } from './cardStates';
import { Card } from './entities';
import { expectationsOf } from './expectations';
import { afterAll, givesWay, SOON_MS } from './idle';
import { lockCards } from './lockCards';

const ATTEMPTS = 4;

const Payload = z.object({ cardId: z.uuid(), workspaceId: z.uuid(), since: z.coerce.date() });

/** Has a card read once more in another way when nothing else is to be read, in the transaction that stores its first reading. */
export function rereadSoon(
  manager: EntityManager,
  { id, workspaceId }: Pick<Card, 'id' | 'workspaceId'>,
  { since = new Date(), runAt }: { since?: Date; runAt?: Date } = {},
): Promise<void> {
  const payload = { cardId: id, workspaceId, since: since.toISOString() };
  return addJob(manager, 'rereadCard', payload, { key: `again:${id}`, maxAttempts: ATTEMPTS, runAt, ...afterAll(workspaceId) }); // prettier-ignore
}

export interface RereadingParts {
  database: DataSource;
  reader: PhotoReader;
  /** What becomes of a card that was read twice, in the transaction that stores it. */
  onReread: (manager: EntityManager, card: Card) => Promise<void>;
}

/** What was seen where a card could not be read a second time: nothing, which agrees with nothing. */
const NOTHING: SecondReading = { lines: [], baseLetters: [] };

/**
 * Reads a card a second time and holds what is proposed against it. It gives way to photographs that are to be read for the first time; where
 * it fails for good nothing has agreed with the first reading, and a person is asked.
 */
export const rereadCardTask =
  ({ database, reader, onReread }: RereadingParts): Task =>
  async (raw, { job }) => {
    const { cardId, workspaceId, since } = Payload.parse(raw);
    const isEarly = await givesWay(database, since);
    const begun = await inWorkspace(database, workspaceId, async (manager) => {
      const card = await manager.findOneBy(Card, { id: cardId, rereadDue: true });
      if (!card) return undefined;
      if (isEarly) {
        await rereadSoon(manager, card, { since, runAt: new Date(Date.now() + SOON_MS) });
        return undefined;
      }
      const file = card.fileId ? await storage.get(manager, card.fileId) : undefined;
      if (file) return { fileId: card.fileId, bytes: file.bytes };
      // Its picture is gone: there is nothing to be read.
      await manager.update(Card, { id: cardId }, { rereadDue: false });
      await onReread(manager, card);
      return undefined;
    });
    if (!begun) return;
    const again = job.attempts >= job.max_attempts ? NOTHING : await rereadOrNothing(reader, begun.bytes);
    await inWorkspace(database, workspaceId, async (manager) => {
      const [known] = await manager.find(Card, { where: { id: cardId }, select: { id: true, frontCardId: true } });
      if (!known) return;
      const cards = await lockCards(manager, [cardId, ...(known.frontCardId ? [known.frontCardId] : [])]);
      const card = cards.find(({ id }) => id === cardId)!;
      // It was read anew meanwhile, along other borders: that is read a second time by itself.
      if (card.fileId !== begun.fileId) return;
      await manager.update(Card, { id: cardId }, { again: writableIn(again), rereadDue: false });
      const front = cards.find(({ id }) => id === card.frontCardId) ?? card;
      // Filed meanwhile it may come back to the tray.
      await proposeAgain(manager, front);
      await announce(manager, workspaceId, { photoId: card.photoId ?? cardId, cardId: front.id, state: 'reread', progress: null }); // prettier-ignore
      await onReread(manager, front);
    });
  };

const rereadOrNothing = (reader: PhotoReader, bytes: Uint8Array): Promise<SecondReading> =>
  reader.reread(bytes).catch((error: unknown) => {
    if (error instanceof UnreadablePhoto) return NOTHING;
    throw error;
  });

/** The same proposals, as sure as both readings make them, with those of a back. */
async function proposeAgain(manager: EntityManager, front: Card): Promise<void> {
  const options = await expectationsOf(manager, front.workspaceId, front);
  const back = await manager.findOneBy(Card, { frontCardId: front.id });
  const reading = await bothReadings(manager, front);
  const { fields } = back ? proposeSides(reading, await bothReadings(manager, back), options) : proposeFields(reading, options); // prettier-ignore
  await manager.update(Card, { id: front.id }, { proposals: writableIn(fields) });
}

/** What was read on a side of a card, with what was seen the second time. */
export async function bothReadings(manager: EntityManager, { id, reading }: Pick<Card, 'id' | 'reading'>): Promise<Reading> {
  const card = await manager.findOne(Card, { where: { id }, select: { id: true, again: true } });
  return card?.again ? { ...reading, again: card.again } : reading;
} // prettier-ignore

/** Whether a card or its back is still to be read a second time. */
export const isRereadDue = (manager: EntityManager, cardId: string): Promise<boolean> =>
  manager.existsBy(Card, [{ id: cardId, rereadDue: true }, { frontCardId: cardId, rereadDue: true }]); // prettier-ignore

const AT_ONCE = 500;

/** Has cards read a second time for which that was never asked: they came with a backup, or from an older version. */
export async function rereadMissing(database: DataSource): Promise<void> {
  for (const { id: workspaceId } of await database.getRepository(Workspace).find({ select: { id: true } }))
    await inWorkspace(database, workspaceId, async (manager) => {
      const cards = await manager.find(Card, { where: { rereadDue: true, state: In([...IN_TRAY, 'attached']) }, select: { id: true, workspaceId: true }, order: { id: 'ASC' }, take: AT_ONCE }); // prettier-ignore
      for (const card of cards) await rereadSoon(manager, card);
    });
}
