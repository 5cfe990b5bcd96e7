import type { PlacedOutline } from '@dossier/contract';
import {
  proposeFields,
  proposeSides,
  type FieldProposal,
  type ProposeOptions,
  type Reading,
} from '@dossier/core/reading';
import { writableIn } from '@dossier/core/text';
import type { CardRead, PhotoRead } from '@dossier/reader';
import type { EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { storage } from '../../platform/storage';
import { announce } from '../../platform/trayEvents';
import { lockPhotos, type Photo, photoStates } from '../capture';
import { cardStates, IN_TRAY } from './cardStates';
import { Card } from './entities';
import { expectationsOf } from './expectations';
import { lookBesideSoon } from './lookBeside';
import { bothReadings, rereadSoon } from './rereading';

/** What a photograph was read as, and for whom. */
export interface ReadPhoto {
  photoId: string;
  workspaceId: string;
  read: PhotoRead;
}

/** A photograph that was read for the first time, with the cards that were found on it. */
export interface NewCards {
  photo: Photo;
  cardIds: string[];
}

/**
 * Stores all cards of a photograph read for the first time; one without any becomes a card for a person to type.
 * @returns undefined where nobody waits for it any more
 */
export async function storeCards(
  manager: EntityManager,
  { photoId, workspaceId, read }: ReadPhoto,
): Promise<NewCards | undefined> {
  const photo = await lockBeingRead(manager, photoId);
  if (!photo) return undefined;
  const expected = await expectationsOf(manager, workspaceId, photo);
  const { whole } = read;
  const cardIds: string[] = [];
  for (const card of whole ? [whole] : read.cards)
    cardIds.push(await insertCard(manager, photo, { ...card, quad: whole ? null : card.quad }, read.engine, expected));
  await markRead(manager, photo, read, cardIds[0]);
  if (photo.inTray) await lookBesideSoon(manager, photo, read.beside ?? []);
  return { photo, cardIds };
}

/**
 * Stores what was read along borders set by a person: a card whose border changed keeps its id and its
 * occasion, a new one is added. A card that left the tray in the meantime stays as it is.
 * @param outlines in the order of `read.cards`
 */
export async function storeOutlines(
  manager: EntityManager,
  { photoId, workspaceId, read }: ReadPhoto,
  outlines: readonly PlacedOutline[],
): Promise<void> {
  const photo = await lockBeingRead(manager, photoId);
  if (!photo) return;
  for (const [i, { cardId }] of outlines.entries()) {
    const known = cardId
      ? await manager.findOne(Card, { where: { id: cardId }, lock: { mode: 'pessimistic_write' } })
      : null;
    const expected = await expectationsOf(manager, workspaceId, known ?? photo);
    const card = read.cards[i]!;
    if (!known) await insertCard(manager, photo, card, read.engine, expected);
    else if (IN_TRAY.includes(known.state)) await replaceReading(manager, known, card, read.engine, expected);
  }
  await markRead(manager, photo, read);
}

async function lockBeingRead(manager: EntityManager, id: string): Promise<Photo | undefined> {
  const [photo] = await lockPhotos(manager, [id]);
  return photo?.state === 'reading' ? photo : undefined;
}

async function markRead(
  manager: EntityManager,
  { id, workspaceId }: Photo,
  { width, height }: PhotoRead,
  cardId?: string,
): Promise<void> {
  await photoStates.move(manager, id, 'read', { progress: 1, width, height });
  await announce(manager, workspaceId, { photoId: id, state: 'read', progress: 1, cardId });
}

/** Where a card lies; null when the whole picture stands for it. */
type Placed = Omit<CardRead, 'quad'> & { quad: CardRead['quad'] | null };

async function insertCard(
  manager: EntityManager,
  { id: photoId, workspaceId, occasionId, takenAt, takenBy, expected: expectedOfPhoto }: Photo,
  card: Placed,
  engine: string,
  expected: ProposeOptions,
): Promise<string> {
  const id = uuidv7();
  await manager.insert(Card, {
    id,
    workspaceId,
    photoId,
    occasionId,
    ...(await storePictures(manager, workspaceId, card)),
    ...readColumns(card, proposeFields(card.reading, expected), engine),
    expected: expectedOfPhoto,
    personId: null,
    frontCardId: null,
    madeBy: takenBy,
    takenAt,
  });
  if (isRead(card)) await rereadSoon(manager, { id, workspaceId });
  return id;
}

async function replaceReading(
  manager: EntityManager,
  { id, workspaceId, fileId, thumbnailId }: Card,
  card: Placed,
  engine: string,
  expected: ProposeOptions,
): Promise<void> {
  const back = await manager.findOneBy(Card, { frontCardId: id });
  const proposal = back
    ? proposeSides(card.reading, await bothReadings(manager, back), expected)
    : proposeFields(card.reading, expected);
  const pictures = await storePictures(manager, workspaceId, card);
  const { state, ...columns } = readColumns(card, proposal, engine);
  await cardStates.move(manager, id, state, { ...pictures, ...columns });
  if (isRead(card)) await rereadSoon(manager, { id, workspaceId });
  await storage.remove(manager, [fileId, thumbnailId]);
}

async function storePictures(manager: EntityManager, workspaceId: string, card: Placed) {
  const [fileId, thumbnailId] = [uuidv7(), uuidv7()];
  await storage.put(manager, { id: fileId, workspaceId, type: 'image/jpeg', bytes: card.picture });
  await storage.put(manager, { id: thumbnailId, workspaceId, type: 'image/jpeg', bytes: card.thumbnail });
  return { fileId, thumbnailId };
}

/** Columns of a card that follow from its reading. */
function readColumns(
  { quad, reading }: { quad: Placed['quad']; reading: Reading },
  { fields, country }: { fields: FieldProposal[]; country?: string },
  engine: string,
) {
  const state: Card['state'] = quad && fields.length > 0 ? 'toProve' : 'needsPerson';
  return {
    state,
    quad,
    readingId: uuidv7(),
    reading: writableIn(reading),
    proposals: writableIn(fields),
    country: country ?? null,
    engine,
    again: null,
    rereadDue: isRead({ quad, reading }),
  };
}

/** Whether there is anything to be held against a second reading. */
const isRead = ({ quad, reading }: Pick<Placed, 'quad' | 'reading'>): boolean =>
  quad !== null && reading.lines.length > 0;
