import type { PhotoReceived } from '@dossier/contract';
import { LessThan, type DataSource, type EntityManager } from 'typeorm';
import { notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';
import { Workspace } from '../account';
import { Photo, PhotoPart } from './entities';
import { extentsOf, keepPart, type Extent } from './queries';
import type { Parts } from './receiveBytes';

/** Parts of a photograph of which no more has come for so long are no longer waited for. */
const KEPT_MS = 24 * 3600 * 1000;

/** What has come of a photograph, and what comes of it. A person's own: nobody else goes on with it. */
export const partsOf = (database: DataSource, who: SignedIn, photoId: string): Parts => ({
  load: () => inWorkspace(database, who.workspaceId, (manager) => loadJoined(manager, who, photoId)),
  keep: (startsAt, bytes) =>
    inWorkspace(database, who.workspaceId, (manager) =>
      keepPart(manager, { workspaceId: who.workspaceId, photoId, sentBy: who.accountId, startsAt, bytes }),
    ),
});

/** @throws ProblemError 404 when nothing of it is here */
export const howMuchOf = (database: DataSource, who: SignedIn, photoId: string): Promise<PhotoReceived> =>
  inWorkspace(database, who.workspaceId, async (manager) => {
    if (await manager.existsBy(Photo, { id: photoId })) return { bytes: 0, whole: true };
    const parts = await extentsOf(manager, who.workspaceId, photoId, who.accountId);
    const bytes = reachOf(parts);
    if (bytes === 0) throw notFound('This photograph');
    return { bytes, whole: false };
  });

export const forgetParts = (manager: EntityManager, { accountId }: SignedIn, photoId: string): Promise<unknown> =>
  manager.delete(PhotoPart, { photoId, sentBy: accountId });

/** @returns how many parts of photographs that never arrived whole were removed */
export async function removeOldParts(database: DataSource): Promise<number> {
  const receivedAt = LessThan(new Date(Date.now() - KEPT_MS));
  let removed = 0;
  for (const { id: workspaceId } of await database.getRepository(Workspace).find({ select: { id: true } })) {
    const { affected } = await inWorkspace(database, workspaceId, (manager) =>
      manager.delete(PhotoPart, { workspaceId, receivedAt }),
    );
    removed += affected ?? 0;
  }
  return removed;
}

/** How many bytes from the first one on are there without a gap. @param parts by their places */
function reachOf(parts: readonly Extent[]): number {
  let reach = 0;
  for (const { startsAt, length } of parts) if (startsAt <= reach) reach = Math.max(reach, startsAt + length);
  return reach;
}

async function loadJoined(manager: EntityManager, who: SignedIn, photoId: string): Promise<Buffer> {
  const parts = await manager.find(PhotoPart, {
    where: { workspaceId: who.workspaceId, photoId, sentBy: who.accountId },
    order: { startsAt: 'ASC' },
  });
  const joined = Buffer.alloc(reachOf(parts.map(({ startsAt, bytes }) => ({ startsAt, length: bytes.length }))));
  for (const { startsAt, bytes } of parts) if (startsAt < joined.length) joined.set(bytes, startsAt);
  return joined;
}
