import type { BackPairs, BacksOfPhoto } from '@dossier/contract';
import { matchBacks } from '@dossier/core/capture';
import { guessOf } from '@dossier/core/proof';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { conflict, notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { announce } from '../../platform/trayEvents';
import { inSnapshot, inWorkspace } from '../../platform/workspaceScope';
import { lockPhotos, Photo } from '../capture';
import { Card, IN_TRAY, lockCards } from '../reading';
import { joinBackIn } from './backs';

/** Both sides with pairs suggested by where they lie. @throws ProblemError 404 for a photograph that shows no backs */
export function backsOfPhoto(database: DataSource, who: SignedIn, photoId: string): Promise<BacksOfPhoto> {
  return inSnapshot(database, who.workspaceId, async (manager) => {
    const back = await manager.findOneBy(Photo, { id: photoId });
    if (!back?.backOf) throw notFound('The backs on this photograph');
    const fronts = await openCardsOf(manager, back.backOf);
    const joined = await manager.findBy(Card, { frontCardId: In(fronts.map((card) => card.id)) });
    const taken = new Set(joined.map((card) => card.frontCardId));
    const free = fronts.filter((card) => !taken.has(card.id));
    const backs = await openCardsOf(manager, photoId);
    return {
      frontPhotoId: back.backOf,
      fronts: free.map(sideOf),
      backs: backs.map(sideOf),
      ...matchBacks(placed(free), placed(backs)),
    };
  });
}

/**
 * Joins the pairs a person has confirmed; the photograph is not asked about again.
 * @throws ProblemError 404 for a photograph or card that is not here, 409 where a card has gone its own way
 */
export function joinBacks(
  database: DataSource,
  who: SignedIn,
  photoId: string,
  pairs: BackPairs['pairs'],
): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const [photo] = await lockPhotos(manager, [photoId]);
    if (!photo) throw notFound('This photograph');
    const sides = pairs.flatMap(({ frontId, backId }) => [frontId, backId]);
    if (new Set(sides).size < sides.length)
      throw conflict('twice', 'One card stands in two pairs. Give each front its own back.');
    await lockCards(manager, sides);
    for (const { frontId, backId } of pairs) await joinBackIn(manager, who.workspaceId, frontId, backId);
    await manager.update(Photo, { id: photoId }, { backOf: null });
    await announce(manager, who.workspaceId, { photoId, state: 'changed', progress: null });
  });
}

const openCardsOf = (manager: EntityManager, photoId: string): Promise<Card[]> =>
  manager.find(Card, { where: { photoId, state: In([...IN_TRAY]) }, order: { id: 'ASC' } });

const sideOf = (card: Card): BacksOfPhoto['fronts'][number] => ({
  id: card.id,
  quad: card.quad as BacksOfPhoto['fronts'][number]['quad'],
  name: guessOf(card.proposals).name ?? guessOf(card.proposals).company,
});

const placed = (cards: readonly Card[]) => cards.flatMap(({ id, quad }) => (quad ? [{ id, quad }] : []));
