import type { DataSource, EntityManager } from 'typeorm';

type Work<T> = (manager: EntityManager) => Promise<T>;

/**
 * Runs `work` in one transaction that can see and change only the rows of one workspace: row-level
 * security compares every row with the setting made here. Each of its queries sees what is committed by then.
 */
export const inWorkspace = <T>(database: DataSource, workspaceId: string, work: Work<T>): Promise<T> =>
  database.transaction((manager) => scoped(manager, workspaceId, work));

/**
 * Like `inWorkspace`, for several queries whose answers are put together: all of them see the same moment, so that
 * what moves from one table to another meanwhile is neither missed nor counted twice. For reading only: two that write
 * the same row this way would fail.
 */
export const inSnapshot = <T>(database: DataSource, workspaceId: string, work: Work<T>): Promise<T> =>
  database.transaction('REPEATABLE READ', (manager) => scoped(manager, workspaceId, work));

async function scoped<T>(manager: EntityManager, workspaceId: string, work: Work<T>): Promise<T> {
  await manager.query(`select set_config('dossier.workspace', $1, true)`, [workspaceId]);
  return work(manager);
}
