import type { OutlinesChange, PhotoOutlines, PlacedOutline } from '@dossier/contract';
import { complaintAboutOutline, sameOutline } from '@dossier/core/capture';
import { guessOf } from '@dossier/core/proof';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { conflict, notFound, ProblemError } from '../../platform/problem';
import { addJob } from '../../platform/queue';
import type { SignedIn } from '../../platform/session';
import { announce } from '../../platform/trayEvents';
import { inSnapshot, inWorkspace } from '../../platform/workspaceScope';
import { lockPhotos, Photo, photoStates } from '../capture';
import { Card, IN_TRAY } from '../reading';
import { removeCards } from './removeCards';

const ATTEMPTS = 5;
/** Progress shown while the job waits for its turn. */
const BEGUN = 0.02;

/** A photograph's cards with their borders, those taken out of the tray left out. */
export function outlinesOf(database: DataSource, who: SignedIn, photoId: string): Promise<PhotoOutlines> {
  return inSnapshot(database, who.workspaceId, async (manager) => {
    const photo = await manager.findOneBy(Photo, { id: photoId });
    if (!photo) throw notFound('This photograph');
    const cards = await cardsOf(manager, photoId);
    return {
      width: photo.width,
      height: photo.height,
      reading: ['waiting', 'reading'].includes(photo.state),
      picture: photo.fileId !== null,
      perhaps: (photo.perhaps ?? []) as PhotoOutlines['perhaps'],
      outlines: cards.map((card) => ({
        cardId: card.id,
        quad: card.quad as PhotoOutlines['outlines'][number]['quad'],
        name: guessOf(card.proposals).name,
        filed: card.state === 'filed',
      })),
    };
  });
}

/**
 * Sets the borders of a photograph: cards whose border changed and new ones are read (and only they),
 * cards without a border leave the tray.
 * @throws ProblemError 404, 409 while it is being read or when its picture is gone, 422 for a border
 *   that is none
 */
export function changeOutlines(
  database: DataSource,
  who: SignedIn,
  photoId: string,
  { outlines }: OutlinesChange,
): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const [photo] = await lockPhotos(manager, [photoId]);
    if (!photo) throw notFound('This photograph');
    if (!photo.fileId) throw conflict('picture-removed', 'The photograph is no longer kept: its borders stay.');
    if (['waiting', 'reading'].includes(photo.state))
      throw conflict('being-read', 'This photograph is being read. Change its borders when that is done.');
    for (const { quad } of outlines) {
      const complaint = complaintAboutOutline(quad);
      if (complaint) throw new ProblemError(422, 'no-border', 'Not a border', complaint);
    }
    const cards = await cardsOf(manager, photoId);
    const byId = new Map(cards.map((card) => [card.id, card]));
    const isMoved = ({ cardId, quad }: PlacedOutline) => {
      if (!cardId) return true;
      const card = byId.get(cardId);
      if (!card) throw conflict('card-gone', 'One of the cards is no longer in the tray. Look again.');
      return card.state !== 'filed' && (!card.quad || !sameOutline(card.quad, quad));
    };
    const toRead = outlines.filter(isMoved);
    const kept = new Set(outlines.map((o) => o.cardId));
    const dropped = cards.filter((card) => !kept.has(card.id) && card.state !== 'filed').map((card) => card.id);
    await removeCards(manager, dropped);
    // Whoever has set the borders has seen where there is a card.
    await manager.update(Photo, { id: photoId }, { perhaps: null });
    if (toRead.length > 0) await readAlong(manager, photo, toRead);
    else await announce(manager, who.workspaceId, { photoId, state: 'changed', progress: null });
  });
}

/** Somebody has looked, and no card was missed. */
export const nothingMissed = (database: DataSource, { workspaceId }: SignedIn, photoId: string): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const { affected } = await manager.update(Photo, { id: photoId }, { perhaps: null });
    if (!affected) throw notFound('This photograph');
    await announce(manager, workspaceId, { photoId, state: 'changed', progress: null });
  });

/** Has cards of a photograph read along these borders: those with an id anew, the others for the first time. */
export async function readAlong(
  manager: EntityManager,
  { id: photoId, workspaceId }: Photo,
  outlines: readonly PlacedOutline[],
): Promise<void> {
  await photoStates.move(manager, photoId, 'reading', { progress: BEGUN, message: null });
  const payload = { photoId, workspaceId, outlines: JSON.stringify(outlines) };
  await addJob(manager, 'readOutlines', payload, { key: `outlines:${uuidv7()}`, maxAttempts: ATTEMPTS });
  await announce(manager, workspaceId, { photoId, state: 'reading', progress: BEGUN });
}

/** The cards of a photograph that are in the tray or filed, in the order they were found. */
function cardsOf(manager: EntityManager, photoId: string): Promise<Card[]> {
  return manager.find(Card, {
    where: { photoId, state: In([...IN_TRAY, 'filed']) },
    order: { id: 'ASC' },
  });
}
