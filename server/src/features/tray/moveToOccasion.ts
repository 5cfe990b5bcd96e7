import type { OccasionMove } from '@dossier/contract';
import { In, type DataSource } from 'typeorm';
import { notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { announce } from '../../platform/trayEvents';
import { inWorkspace } from '../../platform/workspaceScope';
import { knownOccasion, lockPhotos, Photo } from '../capture';
import { Card, IN_TRAY, lockCards } from '../reading';
import { backsOf } from './backs';

/**
 * Moves cards that are not filed yet, and photographs still to be read, to another occasion or to none.
 * Backs go with their fronts.
 * @throws ProblemError 404 for an occasion or card that is not here
 */
export function moveToOccasion(database: DataSource, who: SignedIn, move: OccasionMove): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const occasionId = await knownOccasion(manager, move.occasionId);
    if (move.occasionId && !occasionId) throw notFound('This occasion');
    const photos = await lockPhotos(manager, move.photoIds);
    const backs = await backsOf(manager, move.cardIds);
    const cards = await lockCards(manager, [...move.cardIds, ...backs.map(({ id }) => id)]);
    await manager.update(Photo, { id: In(photos.map(({ id }) => id)) }, { occasionId });
    const open = In([...IN_TRAY, 'attached']);
    await manager.update(Card, { id: In(cards.map(({ id }) => id)), state: open }, { occasionId });
    const first = move.cardIds[0] ?? move.photoIds[0];
    if (first) await announce(manager, who.workspaceId, { photoId: first, state: 'changed', progress: null });
  });
}
