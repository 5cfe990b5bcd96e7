import type { PhotoReceived } from '@dossier/contract';
import { LessThan, type DataSource, type EntityManager } from 'typeorm';
import { Workspace } from '../account';
import { Photo, PhotoPart } from './entities';
import type { Parts } from './receiveBytes';
import { notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';

/** Parts of a photograph of which no more has come for so long are no longer waited for. */
const KEPT_MS = 24 * 3600 * 1000;

/** What has come of a photograph, and what comes of it. A person's own: nobody else goes on with it. */
export const partsOf = (database: DataSource, who: SignedIn, photoId: string): Parts => ({
  load: () => inWorkspace(database, who.workspaceId, (manager) => loadJoined(manager, who, photoId)),
  keep: (startsAt, bytes) =>
    inWorkspace(database, who.workspaceId, async (manager) => {
      // The same place again is a line that broke and went on: the longer of the two is kept.
      await manager.query(
        `insert into photo_part (workspace_id, photo_id, sent_by, starts_at, bytes) values ($1, $2, $3, $4, $5)
         on conflict (photo_id, sent_by, starts_at) do update set bytes = excluded.bytes, received_at = now()
         where length(photo_part.bytes) < length(excluded.bytes)`,
        [who.workspaceId, photoId, who.accountId, startsAt, bytes],
      );
    }),
});

/** @throws ProblemError 404 when nothing of it is here */
export const howMuchOf = (database: DataSource, who: SignedIn, photoId: string): Promise<PhotoReceived> =>
  inWorkspace(database, who.workspaceId, async (manager) => {
    if (await manager.existsBy(Photo, { id: photoId })) return { bytes: 0, whole: true };
    const parts = await manager.query<Extent[]>(
      `select starts_at as "startsAt", length(bytes) as length from photo_part
       where workspace_id = $1 and photo_id = $2 and sent_by = $3 order by starts_at`,
      [who.workspaceId, photoId, who.accountId],
    );
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

interface Extent {
  startsAt: number;
  length: number;
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
