import { keptPicture } from '@dossier/reader/keptPicture';
import type { EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import type { SignedIn } from '../../../platform/session';
import { storage } from '../../../platform/storage';
import { Card } from '../../reading';
import { keptAsFiled } from '../../retention';

/** A front and a back. */
const MOST = 2;

/**
 * Pictures that came with somebody in a file stand on their page as their card, with nothing read: a front and perhaps its back. What cannot
 * be opened is passed over, and where the workspace keeps no pictures, none is kept.
 * @param pictures as base64, the front first
 */
export async function keepPictures(
  manager: EntityManager,
  { workspaceId, accountId }: SignedIn,
  personId: string,
  pictures: readonly { base64: string }[],
  at: Date,
): Promise<void> {
  const kept = await keptAsFiled(manager, { workspaceId, occasionId: null }, at);
  if (kept.kept === 'none') return;
  let frontCardId: string | null = null;
  for (const { base64 } of pictures.slice(0, MOST)) {
    const made = await keptPicture(Buffer.from(base64, 'base64'));
    if (!made) continue;
    const [id, fileId, thumbnailId] = [uuidv7(), uuidv7(), uuidv7()];
    const type = 'image/jpeg';
    await storage.put(manager, { id: fileId, workspaceId, type, bytes: made.picture });
    await storage.put(manager, { id: thumbnailId, workspaceId, type, bytes: made.thumbnail });
    await manager.insert(Card, {
      id,
      workspaceId,
      photoId: null,
      occasionId: null,
      fileId,
      thumbnailId,
      state: 'filed',
      frontCardId,
      quad: null,
      readingId: id,
      reading: { width: made.width, height: made.height, lines: [] },
      proposals: [],
      country: null,
      expected: null,
      engine: 'file',
      personId,
      madeBy: accountId,
      takenAt: at,
      ...kept,
    });
    frontCardId = id;
  }
}
