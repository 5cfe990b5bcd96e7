import type { EntityManager } from 'typeorm';

/** Photographs of one person find their batch one after the other. */
export const lockBatchesOf = (manager: EntityManager, accountId: string): Promise<unknown> =>
  manager.query(`select pg_advisory_xact_lock(hashtextextended($1, 1))`, [accountId]);

/** Photographs sent within this of each other belong together even when reading keeps up with them. */
const SAME_BATCH_SECONDS = 120;

/** The batch of somebody's last photograph, unless all was done long ago. */
export async function openBatchOf(
  manager: EntityManager,
  workspaceId: string,
  accountId: string,
): Promise<string | undefined> {
  const rows = await manager.query<{ batch_id: string }[]>(
    `select batch_id from photo
     where workspace_id = $1 and taken_by = $2 and in_tray
       and (state in ('waiting', 'reading') or received_at > now() - make_interval(secs => ${SAME_BATCH_SECONDS}))
     order by received_at desc limit 1`,
    [workspaceId, accountId],
  );
  return rows[0]?.batch_id;
}

/** How many cards of each occasion lie in the tray, and how many people were filed from it. */
export const cardsByOccasion = (
  manager: EntityManager,
  workspaceId: string,
): Promise<{ id: string; in_tray: number; filed: number }[]> =>
  manager.query(
    `select occasion_id as id,
            count(*) filter (where state in ('toProve', 'needsPerson', 'setAside'))::int as in_tray,
            count(distinct person_id) filter (where state = 'filed')::int as filed
     from card where workspace_id = $1 and occasion_id is not null group by occasion_id`,
    [workspaceId],
  );

export async function isInTeam(manager: EntityManager, workspaceId: string, accountId: string): Promise<boolean> {
  const rows = await manager.query<unknown[]>(
    'select from account where id = $1 and workspace_id = $2 and out_of_use_at is null',
    [accountId, workspaceId],
  );
  return rows.length > 0;
}

interface Part {
  workspaceId: string;
  photoId: string;
  sentBy: string;
  startsAt: number;
  bytes: Buffer;
}

/** The same place again is a line that broke and went on: the longer of the two is kept. */
export const keepPart = (manager: EntityManager, part: Part): Promise<void> =>
  manager.query(
    `insert into photo_part (workspace_id, photo_id, sent_by, starts_at, bytes) values ($1, $2, $3, $4, $5)
     on conflict (photo_id, sent_by, starts_at) do update set bytes = excluded.bytes, received_at = now()
     where photo_part.workspace_id = $1 and length(photo_part.bytes) < length(excluded.bytes)`,
    [part.workspaceId, part.photoId, part.sentBy, part.startsAt, part.bytes],
  );

export interface Extent {
  startsAt: number;
  length: number;
}

/** Where the parts of a photograph lie that have come, by their places. */
export const extentsOf = (
  manager: EntityManager,
  workspaceId: string,
  photoId: string,
  sentBy: string,
): Promise<Extent[]> =>
  manager.query(
    `select starts_at as "startsAt", length(bytes) as length from photo_part
     where workspace_id = $1 and photo_id = $2 and sent_by = $3 order by starts_at`,
    [workspaceId, photoId, sentBy],
  );

interface HandOver {
  workspaceId: string;
  from: string;
  to: string;
}

/** What is still to be read goes on as somebody else's: its cards are theirs. */
export const handOverPhotos = (manager: EntityManager, { workspaceId, from, to }: HandOver): Promise<unknown> =>
  manager.query(
    `update photo set taken_by = $3 where workspace_id = $1 and taken_by = $2 and state in ('waiting', 'reading')`,
    [workspaceId, from, to],
  );

/** @returns how many occasions have another owner now */
export async function handOverOccasions(manager: EntityManager, { workspaceId, from, to }: HandOver): Promise<number> {
  const [, count] = await manager.query<[unknown[], number]>(
    'update occasion set owner_id = $3 where workspace_id = $1 and owner_id = $2',
    [workspaceId, from, to],
  );
  return count;
}
