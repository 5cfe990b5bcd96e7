import type { CompanyLogo } from '@dossier/contract';
import { findLogo } from '@dossier/reader/logo';
import type { DataSource } from 'typeorm';
import { notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { storage } from '../../platform/storage';
import { inSnapshot, inWorkspace } from '../../platform/workspaceScope';
import { Company } from '../people';
import { Card, type CardLogo } from '../reading';
import { cardsOfStaff } from './queries';

/** Marks are looked for on so many cards of those who work there, the latest first. */
const MOST_CARDS = 6;

/** The mark of a firm, as a card of somebody who works there shows it. What was found on a card is kept with it. @throws ProblemError 404 */
export async function companyLogo(database: DataSource, who: SignedIn, id: string): Promise<CompanyLogo> {
  const { workspaceId } = who;
  const cards = await inSnapshot(database, workspaceId, async (manager) => {
    if (!(await manager.existsBy(Company, { id, workspaceId }))) throw notFound('This firm');
    return cardsOfStaff(manager, workspaceId, id, MOST_CARDS);
  });
  for (const { id: cardId, file_id: pictureId, reading_id: readingId, width: cardWidth, logo } of cards) {
    const { area } = logo?.readingId === readingId ? logo : await lookAt(database, workspaceId, cardId);
    if (area) return { logo: { cardId, pictureId, cardWidth, area } };
  }
  return { logo: null };
}

async function lookAt(database: DataSource, workspaceId: string, cardId: string): Promise<Pick<CardLogo, 'area'>> {
  const seen = await inSnapshot(database, workspaceId, async (manager) => {
    const card = await manager.findOneBy(Card, { id: cardId, workspaceId });
    const file = card?.fileId && (await storage.get(manager, card.thumbnailId ?? card.fileId));
    return file ? { picture: file.bytes, card } : undefined;
  });
  // Its picture went meanwhile.
  if (!seen) return { area: null };
  const { reading, readingId } = seen.card;
  // What cannot be opened shows no mark.
  const area = (await findLogo({ picture: seen.picture, reading }).catch(() => undefined)) ?? null;
  await inWorkspace(database, workspaceId, (manager) =>
    manager.update(Card, { id: cardId, workspaceId, readingId }, { logo: { readingId, area } }),
  );
  return { area };
}
