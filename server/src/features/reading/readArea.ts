import { AreaToRead } from '@dossier/contract';
import type { Task } from 'graphile-worker';
import type { DataSource, EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { conflict, notFound, ProblemError } from '../../platform/problem';
import { addJob } from '../../platform/queue';
import type { SignedIn } from '../../platform/session';
import { storage } from '../../platform/storage';
import { inWorkspace } from '../../platform/workspaceScope';
import { IN_TRAY } from './cardStates';
import { Card } from './entities';
import type { ReadingParts } from './jobs';
import { jobOfKey } from './queries';

/** Somebody is waiting for it: before all photographs in the queue. */
const PRIORITY = -10;
const PATIENCE_MS = 30_000;
const ASK_AGAIN_MS = 60;

const Payload = z.object({
  cardId: z.uuid(),
  workspaceId: z.uuid(),
  areaId: z.uuid(),
  area: z.string().transform((text) => AreaToRead.parse(JSON.parse(text))),
});

/** Reads the part and adds its lines to those of the card. */
export const readAreaTask =
  ({ database, reader }: ReadingParts): Task =>
  async (raw) => {
    const { cardId, workspaceId, areaId, area } = Payload.parse(raw);
    const bytes = await inWorkspace(database, workspaceId, async (manager) => {
      const card = await manager.findOneBy(Card, { id: cardId });
      return card?.fileId ? (await storage.get(manager, card.fileId))?.bytes : undefined;
    });
    if (!bytes) return;
    const lines = await reader.readArea(bytes, area);
    if (lines.length === 0) return;
    await inWorkspace(database, workspaceId, async (manager) => {
      const card = await manager.findOne(Card, { where: { id: cardId }, lock: { mode: 'pessimistic_write' } });
      if (!card || !IN_TRAY.includes(card.state)) return;
      await manager.update(
        Card,
        { id: cardId },
        { reading: { ...card.reading, lines: [...card.reading.lines, ...lines.map((line) => ({ ...line, areaId }))] } },
      );
    });
  };

/**
 * Has a part of a card read by a worker and waits for it.
 * @returns indices of the lines added to the card's reading
 * @throws ProblemError 404 for a card that is not here, 409 for one without a picture or out of the tray, 503 when no
 *   worker answers in time
 */
export async function readAreaOf(
  database: DataSource,
  who: SignedIn,
  cardId: string,
  area: AreaToRead,
): Promise<number[]> {
  const areaId = uuidv7();
  const key = `area:${areaId}`;
  await inWorkspace(database, who.workspaceId, async (manager) => {
    const card = await manager.findOneBy(Card, { id: cardId });
    if (!card) throw notFound('This card');
    if (!card.fileId) throw conflict('no-picture', 'There is no picture of this card to read from.');
    if (!IN_TRAY.includes(card.state)) throw conflict('not-in-tray', 'This card is no longer in the tray.');
    const payload = { cardId, workspaceId: who.workspaceId, areaId, area: JSON.stringify(area) };
    await addJob(manager, 'readArea', payload, { key, maxAttempts: 1, priority: PRIORITY });
  });
  for (const until = Date.now() + PATIENCE_MS; Date.now() < until;) {
    const job = await jobOfKey(database, key);
    if (!job) return inWorkspace(database, who.workspaceId, (manager) => linesOfArea(manager, cardId, areaId));
    if (job.last_error) break;
    await new Promise((resolve) => setTimeout(resolve, ASK_AGAIN_MS));
  }
  throw new ProblemError(503, 'not-read', 'Not read', 'This part could not be read now. Try again, or type it.');
}

/** Indices of the lines that were read for one request, whatever else was read meanwhile. */
async function linesOfArea(manager: EntityManager, cardId: string, areaId: string): Promise<number[]> {
  const lines = (await manager.findOneBy(Card, { id: cardId }))?.reading.lines ?? [];
  return lines.flatMap((line, i) => (line.areaId === areaId ? [i] : []));
}
