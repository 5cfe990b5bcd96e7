import type { EntityManager } from 'typeorm';
import { Card, cardStates, lockCards } from '../reading';
import { backsOf, separate } from './backs';

/**
 * Takes cards out of the tray with what hangs on them: a back goes with its front, and a front whose back goes is proposed by itself
 * again. Their pictures are kept for a day, so that they can be put back.
 */
export async function removeCards(manager: EntityManager, cardIds: readonly string[]): Promise<void> {
  const backs = await backsOf(manager, cardIds);
  const own = await manager.findBy(Card, cardIds.map((id) => ({ id }))); // prettier-ignore
  const fronts = own.flatMap(({ frontCardId }) => (frontCardId && !cardIds.includes(frontCardId) ? [frontCardId] : []));
  const locked = await lockCards(manager, [...cardIds, ...backs.map(({ id }) => id), ...fronts]);
  const byId = new Map(locked.map((card) => [card.id, card]));
  const discardedAt = new Date();
  for (const card of locked) {
    if (fronts.includes(card.id)) continue;
    const front = card.frontCardId && fronts.includes(card.frontCardId) ? byId.get(card.frontCardId) : undefined;
    if (front) await separate(manager, front, card, 'discarded');
    else await cardStates.moveIfMay(manager, card.id, 'discarded', { discardedAt });
  }
}
