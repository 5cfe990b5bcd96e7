import { cardOfVisitor, type Visitor } from '@dossier/core/followup/ownCard/visitor';
import type { EntityManager } from 'typeorm';
import { lockId } from '../../platform/lockId';
import { announce } from '../../platform/trayEvents';
import { openState } from './cardStates';
import { Card, type VisitorConsent } from './entities';

/** Read by nobody: a visitor wrote it of themselves. */
export const BY_VISITOR = 'visitor';

interface Left {
  /** Made by the page: leaving it twice leaves one. */
  id: string;
  workspaceId: string;
  /** On whose page. */
  accountId: string;
  visitor: Visitor;
  consent: VisitorConsent | null;
  /** ISO 3166, of numbers without a code. */
  country: string;
}

/** Puts what a visitor wrote of themselves into the tray. */
export async function keepVisitorCard(manager: EntityManager, left: Left, at: Date): Promise<void> {
  const { id, workspaceId, accountId, visitor, consent, country } = left;
  await lockId(manager, id);
  if (await manager.existsBy(Card, { id })) return;
  const { reading, fields } = cardOfVisitor(visitor, country);
  await manager.insert(Card, {
    id,
    workspaceId,
    photoId: null,
    occasionId: null,
    fileId: null,
    thumbnailId: null,
    state: openState(fields),
    quad: null,
    readingId: id,
    reading,
    proposals: fields,
    country,
    expected: null,
    consent,
    engine: BY_VISITOR,
    personId: null,
    frontCardId: null,
    madeBy: accountId,
    takenAt: at,
  });
  await announce(manager, workspaceId, { photoId: id, state: 'changed', progress: null });
}
