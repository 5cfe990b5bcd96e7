import type { Task } from 'graphile-worker';
import type { DataSource, EntityManager } from 'typeorm';
import { z } from 'zod';
import { addJob } from '../../../platform/queue';
import { inWorkspace } from '../../../platform/workspaceScope';
import { fileByItself } from '../../filing';
import { Card, cardStates, isRereadDue } from '../../reading';
import { AskedReadingRecord } from './entities';

const ATTEMPTS = 5;

/**
 * What becomes of the cards of a reading that a program has asked for: those that were only to be read lie in no tray, the others are
 * filed soon where there is nothing to ask. Within the transaction that stores them.
 * @param id of the photograph, or of the card where there is none
 * @returns false where no program has asked
 */
export async function settleAsked(manager: EntityManager, id: string, cardIds: readonly string[]): Promise<boolean> {
  const asked = await manager.findOneBy(AskedReadingRecord, { id });
  if (!asked) return false;
  if (asked.file === 'no') {
    const at = new Date();
    for (const cardId of cardIds) await cardStates.moveIfMay(manager, cardId, 'discarded', { discardedAt: at });
    await manager.update(AskedReadingRecord, { id }, { doneAt: at });
  } else {
    await fileAskedSoon(manager, asked);
  }
  return true;
}

const fileAskedSoon = (manager: EntityManager, { id, workspaceId }: Pick<AskedReadingRecord, 'id' | 'workspaceId'>): Promise<void> =>
  addJob(manager, 'fileAsked', { readingId: id, workspaceId }, { key: `asked:${id}`, maxAttempts: ATTEMPTS }); // prettier-ignore

/** A card was read a second time: what was asked for goes on once all of them were. @returns false where no program has asked */
export async function goOnWithAsked(manager: EntityManager, id: string): Promise<boolean> {
  const asked = await manager.findOneBy(AskedReadingRecord, { id });
  if (asked && !asked.doneAt) await fileAskedSoon(manager, asked);
  return asked !== null;
}

const Payload = z.object({ readingId: z.uuid(), workspaceId: z.uuid() });

/** Files what can be filed without a person. Where that fails for good, the cards wait for one. */
export const fileAskedTask =
  (database: DataSource): Task =>
  async (raw, { job }) => {
    const { readingId: id, workspaceId } = Payload.parse(raw);
    await inWorkspace(database, workspaceId, async (manager) => {
      const asked = await manager.findOneBy(AskedReadingRecord, { id });
      if (!asked || asked.doneAt || asked.file === 'no') return;
      const cardIds = await cardsOf(manager, id);
      for (const cardId of cardIds) if (await isRereadDue(manager, cardId)) return;
      if (job.attempts < job.max_attempts) {
        const who = { workspaceId, accountId: asked.askedBy };
        for (const cardId of cardIds) await fileByItself(manager, who, cardId, asked.file);
      }
      await manager.update(AskedReadingRecord, { id }, { doneAt: new Date() });
    });
  };

/** In the order in which they were found. */
async function cardsOf(manager: EntityManager, id: string): Promise<string[]> {
  const cards = await manager.find(Card, {
    where: [{ photoId: id }, { id }],
    select: { id: true },
    order: { id: 'ASC' },
  });
  return cards.map((card) => card.id);
}
