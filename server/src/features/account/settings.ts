import type { FilingSettings, PictureSettings, ReadingSettings } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import type { SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';
import { clearPastLater } from './queries';
import { Workspace } from './workspace';

/** Country and languages expected on cards. */
export const saveReadingSettings = (database: DataSource, who: SignedIn, settings: ReadingSettings): Promise<void> =>
  save(database, who, settings);

/** Names of fields that this team files beside the usual ones. */
export const saveOwnFields = (database: DataSource, who: SignedIn, ownFields: string[]): Promise<void> =>
  save(database, who, { ownFields });

/** Web pages of others whose scripts may ask here. */
export const saveAllowedOrigins = (database: DataSource, who: SignedIn, origins: string[]): Promise<void> =>
  save(database, who, { allowedOrigins: [...new Set(origins)] });

export const saveFilingSettings = (
  database: DataSource,
  who: SignedIn,
  { filesItself, ratings, limits }: FilingSettings,
): Promise<void> => save(database, who, { filesItself, ratings, sameFrom: limits.same, perhapsFrom: limits.perhaps });

/** Saves what is kept of what is filed from now on, and, when told so, of what was filed before: that a day later. */
export function savePictureSettings(
  database: DataSource,
  who: SignedIn,
  { keepPictures, keepDays, past }: PictureSettings,
): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    await manager.update(Workspace, { id: who.workspaceId }, { keepPictures, keepDays });
    if (past) await clearPastLater(manager, who.workspaceId, { keepPictures, keepDays });
  });
}

/** Calls off what was to be removed of the past. */
export const keepPast = (database: DataSource, who: SignedIn): Promise<void> =>
  save(database, who, { clearAt: null, clearTo: null });

async function save(database: DataSource, { workspaceId }: SignedIn, settings: Partial<Workspace>): Promise<void> {
  await database.getRepository(Workspace).update({ id: workspaceId }, settings);
}
