import type { ProofCard } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import { notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { storage } from '../../platform/storage';
import { inWorkspace } from '../../platform/workspaceScope';
import { cardOccasion } from '../capture';
import { Card, openSecondLooks } from '../reading';

export function cardToProve(database: DataSource, who: SignedIn, id: string): Promise<ProofCard> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const card = await manager.findOne(Card, { where: { id }, relations: { occasion: true } });
    if (!card) throw notFound('This card');
    const back = await manager.findOneBy(Card, { frontCardId: id });
    return {
      id: card.id,
      photoId: card.photoId,
      picture: card.fileId !== null,
      readingId: card.readingId,
      occasion: cardOccasion(card.occasion),
      state: card.state,
      personId: card.personId,
      secondLook: (await openSecondLooks(manager, who.workspaceId, [id])).get(id) ?? null,
      takenAt: card.takenAt.toISOString(),
      reading: card.reading as ProofCard['reading'],
      proposals: card.proposals as ProofCard['proposals'],
      country: card.country,
      frontCardId: card.frontCardId,
      back: back && { cardId: back.id, picture: back.fileId !== null, reading: back.reading as ProofCard['reading'] },
    };
  });
}

export function cardPicture(
  database: DataSource,
  who: SignedIn,
  id: string,
  size: 'full' | 'thumbnail',
): Promise<{ type: string; bytes: Buffer }> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const card = await manager.findOne(Card, { where: { id }, select: { id: true, fileId: true, thumbnailId: true } });
    const fileId = size === 'full' ? card?.fileId : card?.thumbnailId;
    const file = fileId && (await storage.get(manager, fileId));
    if (!file) throw notFound('This card');
    return file;
  });
}
