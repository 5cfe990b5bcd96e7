import { In, type EntityManager } from 'typeorm';
import { Card, lockCards } from '../reading';

/** The cards that these people were filed from, for this transaction alone: locked before the people themselves. */
export async function lockCardsOf(manager: EntityManager, personIds: readonly string[]): Promise<Card[]> {
  const cards = await manager.find(Card, { where: { personId: In([...personIds]) }, select: { id: true } });
  return lockCards(
    manager,
    cards.map(({ id }) => id),
  );
}
