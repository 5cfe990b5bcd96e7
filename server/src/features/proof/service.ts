import type { AddressBlock, AddressPartsFound, DraftChange, DraftContent, ProofCard } from '@dossier/contract';
import { ADDRESS_FIELDS } from '@dossier/core/people';
import type { DataSource } from 'typeorm';
import { conflict, notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { storage, type StoredPicture } from '../../platform/storage';
import { announce } from '../../platform/trayEvents';
import { inSnapshot, inWorkspace } from '../../platform/workspaceScope';
import { cardOccasion } from '../capture';
import { Card, IN_TRAY, proposing } from '../reading';
import { openSecondLooks } from '../tray';

export function cardToProve(database: DataSource, who: SignedIn, id: string): Promise<ProofCard> {
  return inSnapshot(database, who.workspaceId, async (manager) => {
    // Not findOne, which asks twice when relations are joined.
    const [card] = await manager.find(Card, { where: { id }, relations: { occasion: true } });
    if (!card) throw notFound('This card');
    const back = await manager.findOneBy(Card, { frontCardId: id });
    return {
      id: card.id,
      photoId: card.photoId,
      picture: card.fileId !== null,
      pictureId: card.fileId,
      readingId: card.readingId,
      occasion: cardOccasion(card.occasion),
      state: card.state,
      personId: card.personId,
      engine: card.engine,
      consent: card.consent,
      draft: { version: card.draftVersion, content: card.draft as DraftContent | null },
      secondLook: (await openSecondLooks(manager, who.workspaceId, [id])).get(id) ?? null,
      takenAt: card.takenAt.toISOString(),
      reading: card.reading as ProofCard['reading'],
      rereading: card.rereadDue || back?.rereadDue === true,
      proposals: card.proposals as ProofCard['proposals'],
      country: card.country,
      frontCardId: card.frontCardId,
      back: back && {
        cardId: back.id,
        picture: back.fileId !== null,
        pictureId: back.fileId,
        reading: back.reading as ProofCard['reading'],
      },
    };
  });
}

/**
 * Keeps what a person makes of a card, so that it is there on every device and for a colleague.
 * @returns the version it has now
 * @throws ProblemError 404 for a card that is not here, 409 for one that has left the tray, or when a later draft was
 *   kept from elsewhere
 */
export function keepDraft(
  database: DataSource,
  who: SignedIn,
  id: string,
  { version, content }: DraftChange,
): Promise<number> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const card = await manager.findOne(Card, {
      where: { id },
      select: { id: true, photoId: true, state: true, draftVersion: true },
      lock: { mode: 'pessimistic_write' },
    });
    if (!card) throw notFound('This card');
    if (!IN_TRAY.includes(card.state)) throw conflict('not-in-tray', 'This card is no longer in the tray.');
    if (card.draftVersion !== version)
      throw conflict('draft-changed', 'Somebody has changed this card elsewhere. Both are brought together.');
    const next = version + 1;
    await manager.update(
      Card,
      { id },
      { draft: content, draftVersion: next, draftBy: who.accountId, draftAt: new Date() },
    );
    await announce(manager, who.workspaceId, {
      photoId: card.photoId ?? id,
      cardId: id,
      state: 'drafted',
      progress: null,
      draftVersion: next,
    });
    return next;
  });
}

/** The parts of an address written on several lines; none when it is no address. */
export async function addressPartsIn({ text, country }: AddressBlock): Promise<AddressPartsFound['parts']> {
  const { proposal } = await proposing('text', { text, options: { assumedCountry: country ?? undefined } });
  const { fields } = proposal;
  return ADDRESS_FIELDS.flatMap((field) => {
    const found = fields.find((f) => f.field === field);
    return found ? [{ field, value: found.value }] : [];
  });
}

export function cardPicture(
  database: DataSource,
  who: SignedIn,
  id: string,
  size: 'full' | 'thumbnail',
): Promise<StoredPicture> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const card = await manager.findOne(Card, { where: { id }, select: { id: true, fileId: true, thumbnailId: true } });
    const fileId = size === 'full' ? card?.fileId : card?.thumbnailId;
    const file = fileId && (await storage.get(manager, fileId));
    if (!file) throw notFound('This card');
    return file;
  });
}
