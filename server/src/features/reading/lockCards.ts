import { In, type EntityManager } from 'typeorm';
import { conflict, notFound } from '../../platform/problem';
import { IN_TRAY } from './cardStates';
import { Card } from './entities';

/** Several cards, locked in one order so that two requests cannot wait for each other. @throws ProblemError 404 for one that is not here */
export async function lockCards(manager: EntityManager, cardIds: readonly string[]): Promise<Card[]> {
  const ids = [...new Set(cardIds)];
  const cards = await manager.find(Card, {
    where: { id: In(ids) },
    order: { id: 'ASC' },
    lock: { mode: 'pessimistic_write' },
  });
  if (cards.length < ids.length) throw notFound('This card');
  return cards;
}

/** As `lockCards`. @throws ProblemError 409 as well, for one that has left the tray */
export async function lockTrayCards(manager: EntityManager, cardIds: readonly string[]): Promise<Card[]> {
  const cards = await lockCards(manager, cardIds);
  if (cards.some((card) => !IN_TRAY.includes(card.state)))
    throw conflict('not-in-tray', 'One of these cards is no longer in the tray. Look again.');
  return cards;
}
