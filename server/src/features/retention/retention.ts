import type { PastPictures, PictureSettings } from '@dossier/contract';
import type { DataSource, EntityManager } from 'typeorm';
import type { SignedIn } from '../../platform/session';
import { inSnapshot } from '../../platform/workspaceScope';
import { Workspace } from '../account';
import { Occasion } from '../capture';
import type { Card } from '../reading';
import { countRemovedBy } from './queries';

type Kept = Pick<Card, 'kept' | 'keepUntil' | 'filedAt'>;

/** What is kept of a card that is filed now: what its occasion says, else the workspace. Later settings do not change it. */
export async function keptAsFiled(
  manager: EntityManager,
  { workspaceId, occasionId }: Pick<Card, 'workspaceId' | 'occasionId'>,
  filedAt: Date,
): Promise<Kept> {
  const { keepPictures, keepDays } = await manager.findOneByOrFail(Workspace, { id: workspaceId });
  const occasion = occasionId ? await manager.findOneBy(Occasion, { id: occasionId }) : null;
  return {
    kept: occasion?.keepPictures ?? keepPictures,
    keepUntil: keepDays ? daysAfter(filedAt, keepDays) : null,
    filedAt,
  };
}

const daysAfter = (day: Date, days: number): Date => new Date(day.getTime() + days * 24 * 60 * 60 * 1000);

/** How many pictures of the past a setting would remove. */
export function previewPictureSettings(
  database: DataSource,
  { workspaceId }: SignedIn,
  { keepPictures, keepDays }: PictureSettings,
): Promise<PastPictures> {
  return inSnapshot(database, workspaceId, (manager) => countRemovedBy(manager, workspaceId, keepPictures, keepDays));
}
