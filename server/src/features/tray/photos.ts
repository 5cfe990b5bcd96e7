import type { PhotoOnTheWay } from '@dossier/contract';
import { In, Not, type DataSource } from 'typeorm';
import { notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { announce } from '../../platform/trayEvents';
import { inSnapshot, inWorkspace } from '../../platform/workspaceScope';
import { lockPhotos, Photo, photoStates } from '../capture';
import { Card } from '../reading';
import { removeCards } from './removeCards';

/** Takes a photograph out of the tray with those of its cards that are not filed; done twice it is done once. */
export function discardPhoto(database: DataSource, who: SignedIn, id: string): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const [photo] = await lockPhotos(manager, [id]);
    if (!photo) throw notFound('This photograph');
    if (photo.state === 'discarded') return;
    await photoStates.move(manager, id, 'discarded', { discardedAt: new Date() });
    const cards = await manager.find(Card, {
      where: { photoId: id, state: Not(In(['filed', 'discarded'])) },
      select: { id: true, state: true, frontCardId: true },
    });
    // The back of a filed card stays with it.
    const filed = await manager.findBy(Card, {
      id: In(cards.flatMap(({ frontCardId }) => frontCardId ?? [])),
      state: 'filed',
    });
    const kept = new Set(filed.map((front) => front.id));
    await removeCards(
      manager,
      cards.filter(({ frontCardId }) => !frontCardId || !kept.has(frontCardId)).map((card) => card.id),
    );
    await announce(manager, who.workspaceId, { photoId: id, state: 'changed', progress: null });
  });
}

/** Where photographs are that somebody has just taken, and what was found in them; those that are not here are left out. */
export function photosNamed(database: DataSource, who: SignedIn, ids: readonly string[]): Promise<PhotoOnTheWay[]> {
  return inSnapshot(database, who.workspaceId, async (manager) => {
    const photos = await manager.find(Photo, {
      where: { id: In([...ids]), state: Not('discarded') },
      select: { id: true, state: true, message: true },
    });
    const cards = await manager.find(Card, {
      where: { photoId: In(photos.map(({ id }) => id)), state: Not('discarded') },
      select: { id: true, photoId: true, state: true, frontCardId: true },
      order: { id: 'ASC' },
    });
    return photos.map(({ id, state, message }) => ({
      id,
      state: state as PhotoOnTheWay['state'],
      message,
      cards: cards
        .filter(({ photoId }) => photoId === id)
        .map((card) => ({
          // A back is shown with its front.
          id: card.frontCardId ?? card.id,
          filed: card.state === 'filed',
        })),
    }));
  });
}
