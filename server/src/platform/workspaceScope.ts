import type { DataSource, EntityManager } from 'typeorm';
import { wasGivenUp } from './databaseTrouble';

/** So often is tried what the database gives up for another. */
const ATTEMPTS = 5;
const PAUSE_MS = 60;

type Work<T> = (manager: EntityManager) => Promise<T>;

/**
 * Runs `work` in one transaction that can see and change only the rows of one workspace: row-level
 * security compares every row with the setting made here. Each of its queries sees what is committed by then.
 * When the database gave it up because another one stood in its way, it is done again from its beginning: `work` must keep nothing from
 * one time to the next.
 */
export async function inWorkspace<T>(database: DataSource, workspaceId: string, work: Work<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await database.transaction((manager) => scoped(manager, workspaceId, work));
    } catch (error) {
      if (attempt === ATTEMPTS || !wasGivenUp(error)) throw error;
      // Not both of them again at the same moment.
      await new Promise((resolve) => setTimeout(resolve, Math.random() * PAUSE_MS * attempt));
    }
  }
}

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
