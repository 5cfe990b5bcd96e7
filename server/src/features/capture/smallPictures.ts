import { photoThumbnail } from '@dossier/reader/thumbnail';
import { IsNull, type DataSource } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { storage, type StoredPicture } from '../../platform/storage';
import { inWorkspace } from '../../platform/workspaceScope';
import { Photo } from './entities';

/** Long sides in pixels, and the column that keeps each. */
const SIZES = {
  thumbnail: { side: 320, column: 'thumbnailId' },
  display: { side: 2400, column: 'displayId' },
} as const;

export type SmallSize = keyof typeof SIZES;

/** The photograph upright as JPEG, whatever it was sent as: for lists, or large enough to set borders on. Made once and kept. */
export async function smallPicture(
  database: DataSource,
  who: SignedIn,
  photoId: string,
  size: SmallSize,
): Promise<StoredPicture> {
  const { side, column } = SIZES[size];
  const found = await inWorkspace(database, who.workspaceId, async (manager) => {
    const photo = await manager.findOneBy(Photo, { id: photoId });
    if (!photo?.fileId) return undefined;
    const kept = photo[column];
    return { isSmall: kept !== null, file: await storage.get(manager, kept ?? photo.fileId) };
  });
  if (!found?.file) throw notFound('This photograph');
  if (found.isSmall) return found.file;
  const bytes = await photoThumbnail(found.file.bytes, side);
  if (!bytes) throw notFound('A small picture of this photograph');
  const id = uuidv7();
  await inWorkspace(database, who.workspaceId, async (manager) => {
    await storage.put(manager, { id, workspaceId: who.workspaceId, type: 'image/jpeg', bytes });
    // Somebody else may have made it meanwhile, or the photograph is no longer kept.
    const { affected } = await manager
      .createQueryBuilder()
      .update(Photo)
      .set({ [column]: id })
      .where({ id: photoId, [column]: IsNull() })
      .andWhere('file_id is not null')
      .execute();
    if (!affected) await storage.remove(manager, [id]);
  });
  return { id, type: 'image/jpeg', bytes: Buffer.from(bytes) };
}
