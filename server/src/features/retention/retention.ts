import type { PastPictures, PictureSettings } from '@dossier/contract';
import type { DataSource, EntityManager } from 'typeorm';
import { Workspace } from '../account';
import { Occasion } from '../capture';
import type { Card } from '../reading';
import type { SignedIn } from '../../platform/session';
import { inSnapshot } from '../../platform/workspaceScope';

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

/** Whose pictures a setting would remove, were it applied to what was filed before. Order of parameters: workspace, kept, days. */
const REMOVED_BY = `
  select count(*) filter (where not holds_card)::int as cards, count(distinct photo_id) filter (where not holds_photo)::int as photos
  from (
    select card.file_id is null or not ($2 = 'none' or card.filed_at < now() - make_interval(days => $3)) as holds_card,
           photo.id as photo_id,
           photo.file_id is null or not ($2 in ('card', 'none') or card.filed_at < now() - make_interval(days => $3)) as holds_photo
    from card left join photo on photo.id = card.photo_id
    where card.workspace_id = $1 and card.state = 'filed') pictures`;

/** How many pictures of the past a setting would remove. */
export function previewPictureSettings(
  database: DataSource,
  { workspaceId }: SignedIn,
  { keepPictures, keepDays }: PictureSettings,
): Promise<PastPictures> {
  return inSnapshot(database, workspaceId, async (manager) => {
    const [row] = await manager.query<PastPictures[]>(REMOVED_BY, [workspaceId, keepPictures, keepDays]);
    return row!;
  });
}
