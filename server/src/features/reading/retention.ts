import type { PastPictures, PictureSettings } from '@dossier/contract';
import type { DataSource, EntityManager } from 'typeorm';
import { Workspace } from '../../platform/entities';
import type { SignedIn } from '../../platform/session';
import { inSnapshot, inWorkspace } from '../../platform/workspaceScope';
import { Occasion } from '../capture';
import type { Card } from './entities';
import { removePicturesSoon } from './removePictures';

/** Between telling Dossier to apply a setting to the past and its doing so lies a day, in which it can be called off. */
const CLEARED_AFTER = '1 day';

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

/** Saves what is kept of what is filed from now on, and, when told so, of what was filed before: that a day later. */
export function savePictureSettings(
  database: DataSource,
  { workspaceId }: SignedIn,
  { keepPictures, keepDays, past }: PictureSettings,
): Promise<void> {
  return inWorkspace(database, workspaceId, async (manager) => {
    await manager.update(Workspace, { id: workspaceId }, { keepPictures, keepDays });
    if (past)
      await manager.query(
        `update workspace set clear_at = now() + interval '${CLEARED_AFTER}', clear_to = $2::jsonb where id = $1`,
        [workspaceId, JSON.stringify({ keepPictures, keepDays })],
      );
    await removePicturesSoon(manager, workspaceId);
  });
}

/** Calls off what was to be removed of the past. */
export async function keepPast(database: DataSource, { workspaceId }: SignedIn): Promise<void> {
  await database.getRepository(Workspace).update({ id: workspaceId }, { clearAt: null, clearTo: null });
}
