import type { PlacedOutline, ReadAgain } from '@dossier/contract';
import { rectangle } from '@dossier/core/capture';
import { proposeFields } from '@dossier/core/reading';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { conflict } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { announce } from '../../platform/trayEvents';
import { inWorkspace } from '../../platform/workspaceScope';
import { Photo } from '../capture';
import { Card } from './entities';
import { expectationsOf } from './expectations';
import { lockTrayCards } from './lockCards';
import { readAlong } from './outlines';

/**
 * Reads cards of the tray once more, with what a person expects of them: from their photographs where these are kept,
 * else anew from the lines that were read. What a person has settled on the desk stays.
 * @throws ProblemError 404 for a card that is not here, 409 for one that has left the tray or is being read
 */
export function readAgain(database: DataSource, who: SignedIn, request: ReadAgain): Promise<void> {
  const { cardIds, country, languages } = request;
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const cards = await lockTrayCards(manager, cardIds);
    const expected = country || languages.length > 0 ? { country, languages } : null;
    await manager.update(Card, { id: In(cards.map((card) => card.id)) }, { expected });
    const photoIds = [...new Set(cards.flatMap((card) => card.photoId ?? []))].sort();
    const photos = await manager.find(Photo, { where: { id: In(photoIds) }, lock: { mode: 'pessimistic_write' } });
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

async function proposeAnew(manager: EntityManager, card: Card): Promise<void> {
  const { fields, country } = proposeFields(card.reading, await expectationsOf(manager, card.workspaceId, card));
  await manager.update(
    Card,
    { id: card.id },
    {
      proposals: fields,
      country: country ?? null,
      readingId: uuidv7(),
      state: fields.length > 0 ? 'toProve' : 'needsPerson',
    },
  );
  await announce(manager, card.workspaceId, { photoId: card.photoId ?? card.id, state: 'changed', progress: null });
}
