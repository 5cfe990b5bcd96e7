import type { EntityManager } from 'typeorm';

/** Who comes, goes and gets which role in a workspace is decided one after the other. */
export const lockTeam = (manager: EntityManager, workspaceId: string): Promise<unknown> =>
  manager.query('select pg_advisory_xact_lock(hashtextextended($1, 0))', [`team:${workspaceId}`]);

/** How many people in the records are whose. */
export const peopleByOwner = (manager: EntityManager, workspaceId: string): Promise<{ id: string; people: number }[]> =>
  manager.query(
    `select owner_id as id, count(*)::int as people from person where workspace_id = $1 and deleted_at is null group by owner_id`,
    [workspaceId],
  );

/** @returns whether the link opened something: it does so once, until it ends */
export async function useLink(manager: EntityManager, workspaceId: string, id: string): Promise<boolean> {
  const [, used] = await manager.query<[unknown[], number]>(
    `update access_link set used_at = now() where workspace_id = $1 and id = $2 and used_at is null and expires_at > now()`,
    [workspaceId, id],
  );
  return used === 1;
}
