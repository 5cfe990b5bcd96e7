import { proposeFields, proposeSides } from '@dossier/core/reading';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { conflict, notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { announce } from '../../platform/trayEvents';
import { inWorkspace } from '../../platform/workspaceScope';
import { Photo } from '../capture';
import { Card, IN_TRAY } from './entities';
import { expectationsOf } from './expectations';

/**
 * Joins a card of the tray to another as its back: both sides are proposed as one, and the back
 * leaves the tray. Joining the same back again changes nothing.
 * @throws ProblemError 404 for a card that is not here, 409 where either has gone its own way
 */
export function joinBack(database: DataSource, who: SignedIn, frontId: string, backId: string): Promise<void> {
  return inWorkspace(database, who.workspaceId, (manager) => joinBackIn(manager, who.workspaceId, frontId, backId));
}

/** As `joinBack`, within a transaction. */
export async function joinBackIn(
  manager: EntityManager,
  workspaceId: string,
  frontId: string,
  backId: string,
): Promise<void> {
  if (frontId === backId) throw conflict('own-back', 'A card cannot be its own back. Choose another card.');
  const [front, back] = [await lockCard(manager, frontId), await lockCard(manager, backId)];
  if (back.frontCardId === frontId) return;
  const joined = await manager.existsBy(Card, { frontCardId: frontId });
  const hasBack = await manager.existsBy(Card, { frontCardId: backId });
  if (joined) throw conflict('has-back', 'This card has a back already. Take it off first.');
  if (![front, back].every((card) => IN_TRAY.includes(card.state)) || hasBack)
    throw conflict('not-in-tray', 'One of the two cards is no longer in the tray. Look again.');
  await joinSides(manager, workspaceId, front, back);
}

async function joinSides(manager: EntityManager, workspaceId: string, front: Card, back: Card): Promise<void> {
  const { fields } = proposeSides(front.reading, back.reading, await expectationsOf(manager, workspaceId, front));
  await manager.update(Card, { id: back.id }, { state: 'attached', frontCardId: front.id });
  await manager.update(Card, { id: front.id }, { proposals: fields, state: stateFor(fields.length) });
  await announceBoth(manager, workspaceId, front, back);
}

/**
 * Joins what was photographed as "the back of the card before", as soon as both photographs are read and
 * show one card each. Where they show several, a person joins them.
 */
export async function joinPhotographedBacks(manager: EntityManager, photo: Photo): Promise<void> {
  // Two sides read at the same moment would each not see the other: one waits for the other to be stored.
  await manager.query('SELECT pg_advisory_xact_lock(hashtextextended($1, 0))', [`sides:${photo.backOf ?? photo.id}`]);
  const backs = await manager.findBy(Photo, { backOf: photo.id, state: 'read' });
  const front = photo.backOf ? await manager.findOneBy(Photo, { id: photo.backOf, state: 'read' }) : null;
  const pairs = [...backs.map((back) => [photo, back] as const), ...(front ? [[front, photo] as const] : [])];
  for (const [frontPhoto, backPhoto] of pairs) {
    const [fronts, others] = [await openCards(manager, frontPhoto.id), await openCards(manager, backPhoto.id)];
    const [card, back] = [fronts[0], others[0]];
    if (!card || !back || fronts.length > 1 || others.length > 1) continue;
    if (await manager.existsBy(Card, { frontCardId: card.id })) continue;
    await joinSides(manager, photo.workspaceId, card, back);
  }
}

const openCards = (manager: EntityManager, photoId: string): Promise<Card[]> =>
  manager.find(Card, {
    where: { photoId, state: In([...IN_TRAY]) },
    lock: { mode: 'pessimistic_write' },
    order: { id: 'ASC' },
  });

/** Takes a back off again: it returns to the tray, and the front is proposed by itself. */
export function takeBackOff(database: DataSource, who: SignedIn, frontId: string): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const front = await lockCard(manager, frontId);
    const back = await manager.findOneBy(Card, { frontCardId: frontId });
    if (!back) return;
    if (front.state === 'filed') throw conflict('already-filed', 'This card is filed already, with its back.');
    const { fields } = proposeFields(front.reading, await expectationsOf(manager, who.workspaceId, front));
    await manager.update(Card, { id: back.id }, { state: stateFor(back.proposals.length), frontCardId: null });
    await manager.update(Card, { id: frontId }, { proposals: fields, state: stateFor(fields.length) });
    await announceBoth(manager, who.workspaceId, front, back);
  });
}

const stateFor = (proposals: number): 'toProve' | 'needsPerson' => (proposals > 0 ? 'toProve' : 'needsPerson');

async function lockCard(manager: EntityManager, id: string): Promise<Card> {
  const card = await manager.findOne(Card, { where: { id }, lock: { mode: 'pessimistic_write' } });
  if (!card) throw notFound('This card');
  return card;
}

async function announceBoth(manager: EntityManager, workspaceId: string, ...cards: Card[]): Promise<void> {
  for (const card of cards)
    await announce(manager, workspaceId, { photoId: card.photoId ?? card.id, state: 'changed', progress: null });
}
