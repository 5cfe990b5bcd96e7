import type { PlacedOutline, ReadAgain } from '@dossier/contract';
import { rectangle } from '@dossier/core/capture';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { conflict } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { announce } from '../../platform/trayEvents';
import { inWorkspace } from '../../platform/workspaceScope';
import { lockPhotos, type Photo } from '../capture';
import { bothReadings, Card, cardStates, expectationsOf, lockTrayCards, openState, proposing } from '../reading';
import { backsOf } from './backs';
import { readAlong } from './outlines';

/**
 * Reads cards of the tray once more, with what a person expects of them: from their photographs where these are kept,
 * else anew from the lines that were read. What a person has settled on the desk stays.
 * @throws ProblemError 404 for a card that is not here, 409 for one that has left the tray or is being read
 */
export function readAgain(database: DataSource, who: SignedIn, request: ReadAgain): Promise<void> {
  const { cardIds, country, languages } = request;
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const wanted = await manager.find(Card, { where: { id: In(cardIds) }, select: { id: true, photoId: true } });
    const photos = await lockPhotos(manager, wanted.map(({ photoId }) => photoId)); // prettier-ignore
    const cards = await lockTrayCards(manager, cardIds);
    const expected = country || languages.length > 0 ? { country, languages } : null;
    await manager.update(Card, { id: In(cards.map((card) => card.id)) }, { expected });
    for (const photo of photos.filter((p) => p.fileId)) {
      if (photo.state !== 'read') throw conflict('being-read', 'One of these cards is being read. Wait a moment.');
      const outlines = cards.filter((card) => card.photoId === photo.id).map((card) => outlineOf(card, photo));
      await readAlong(manager, photo, outlines);
    }
    const withPicture = new Set(photos.filter((p) => p.fileId).map((p) => p.id));
    for (const card of cards.filter((c) => !c.photoId || !withPicture.has(c.photoId)))
      await proposeAnew(manager, { ...card, expected });
  });
}

const outlineOf = ({ id, quad }: Card, photo: Photo): PlacedOutline => ({
  cardId: id,
  quad: (quad ?? rectangle(0, 0, photo.width!, photo.height!)) as PlacedOutline['quad'],
  upright: quad !== null,
});

/** Anew from the lines that were read, those of a joined back with them. */
async function proposeAnew(manager: EntityManager, card: Card): Promise<void> {
  const [back] = await backsOf(manager, [card.id]);
  const options = await expectationsOf(manager, card.workspaceId, card);
  const { fields, country } = await proposing('sides', {
    front: await bothReadings(manager, card),
    back: back && (await bothReadings(manager, back)),
    options,
  });
  await cardStates.move(manager, card.id, openState(fields), {
    proposals: fields,
    country: country ?? null,
    readingId: uuidv7(),
  });
  await announce(manager, card.workspaceId, { photoId: card.photoId ?? card.id, state: 'changed', progress: null });
}
