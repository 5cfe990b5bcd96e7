import { In, type DataSource, type EntityManager } from 'typeorm';
import { conflict } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { announce } from '../../platform/trayEvents';
import { inWorkspace } from '../../platform/workspaceScope';
import { Photo } from '../capture';
import { bothReadings, Card, cardStates, expectationsOf, IN_TRAY, lockCards, openState, proposing } from '../reading';
import { lockSides } from './queries';

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
  const cards = await lockCards(manager, [frontId, backId]);
  const [front, back] = [frontId, backId].map((id) => cards.find((card) => card.id === id)!) as [Card, Card];
  if (back.frontCardId === frontId) return;
  const joined = await manager.existsBy(Card, { frontCardId: frontId });
  const hasBack = await manager.existsBy(Card, { frontCardId: backId });
  if (joined) throw conflict('has-back', 'This card has a back already. Take it off first.');
  if (![front, back].every((card) => IN_TRAY.includes(card.state)) || hasBack)
    throw conflict('not-in-tray', 'One of the two cards is no longer in the tray. Look again.');
  await joinSides(manager, workspaceId, front, back);
}

async function joinSides(manager: EntityManager, workspaceId: string, front: Card, back: Card): Promise<void> {
  const options = await expectationsOf(manager, workspaceId, front);
  const { fields } = await proposing('sides', {
    front: await bothReadings(manager, front),
    back: await bothReadings(manager, back),
    options,
  });
  await cardStates.move(manager, back.id, 'attached', { frontCardId: front.id });
  await cardStates.move(manager, front.id, openState(fields), { proposals: fields });
  await announceCards(manager, workspaceId, front, back);
}

/**
 * Joins what was photographed as "the back of the card before", as soon as both photographs are read and
 * show one card each. Where they show several, a person joins them.
 * @returns the fronts that have their back now
 */
export async function joinPhotographedBacks(manager: EntityManager, photo: Photo): Promise<string[]> {
  // Two sides read at the same moment would each not see the other: one waits for the other to be stored.
  await lockSides(manager, photo.backOf ?? photo.id);
  const backs = await manager.findBy(Photo, { backOf: photo.id, state: 'read' });
  const front = photo.backOf ? await manager.findOneBy(Photo, { id: photo.backOf, state: 'read' }) : null;
  const pairs = [...backs.map((back) => [photo, back] as const), ...(front ? [[front, photo] as const] : [])];
  const joined: string[] = [];
  for (const [frontPhoto, backPhoto] of pairs) {
    const [fronts, others] = await openCardsOf(manager, frontPhoto.id, backPhoto.id);
    const [card, back] = [fronts[0], others[0]];
    if (!card || !back || fronts.length > 1 || others.length > 1) continue;
    if (await manager.existsBy(Card, { frontCardId: card.id })) continue;
    await joinSides(manager, photo.workspaceId, card, back);
    joined.push(card.id);
  }
  return joined;
}

/** The cards of two photographs that lie in the tray, locked in one order. */
async function openCardsOf(manager: EntityManager, ...photoIds: [string, string]): Promise<[Card[], Card[]]> {
  const cards = await manager.find(Card, {
    where: { photoId: In(photoIds), state: In([...IN_TRAY]) },
    lock: { mode: 'pessimistic_write' },
    order: { id: 'ASC' },
  });
  return photoIds.map((id) => cards.filter((card) => card.photoId === id)) as [Card[], Card[]];
}

/** Takes a back off again: it returns to the tray, and the front is proposed by itself. */
export function takeBackOff(database: DataSource, who: SignedIn, frontId: string): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const back = await manager.findOneBy(Card, { frontCardId: frontId });
    const cards = await lockCards(manager, back ? [frontId, back.id] : [frontId]);
    const front = cards.find((card) => card.id === frontId)!;
    const own = cards.find((card) => card.frontCardId === frontId);
    if (!own) return;
    if (front.state === 'filed') throw conflict('already-filed', 'This card is filed already, with its back.');
    await separate(manager, front, own, openState(own.proposals));
  });
}

/** Parts a front from its back: the front is proposed by itself, the back goes where it is said. Both are locked. */
export async function separate(
  manager: EntityManager,
  front: Card,
  back: Card,
  backTo: 'toProve' | 'needsPerson' | 'discarded',
): Promise<void> {
  const { workspaceId } = front;
  await cardStates.move(manager, back.id, backTo, {
    frontCardId: null,
    discardedAt: backTo === 'discarded' ? new Date() : null,
  });
  if (IN_TRAY.includes(front.state)) {
    const options = await expectationsOf(manager, workspaceId, front);
    const { fields } = await proposing('fields', { reading: await bothReadings(manager, front), options });
    const state = front.state === 'setAside' ? front.state : openState(fields);
    await cardStates.move(manager, front.id, state, { proposals: fields });
  }
  await announceCards(manager, workspaceId, front, back);
}

/** The backs that hang on these cards; they are locked with their fronts, see `lockCards`. */
export const backsOf = async (manager: EntityManager, frontIds: readonly string[]): Promise<Card[]> =>
  frontIds.length > 0 ? manager.find(Card, { where: { frontCardId: In([...frontIds]) }, order: { id: 'ASC' } }) : [];

async function announceCards(manager: EntityManager, workspaceId: string, ...cards: Card[]): Promise<void> {
  for (const card of cards)
    await announce(manager, workspaceId, { photoId: card.photoId ?? card.id, state: 'changed', progress: null });
}
