import type { DataSource, EntityManager } from 'typeorm';

/**
 * Runs `work` in one transaction that can see and change only the rows of one workspace: row-level
 * security compares every row with the setting made here.
 */
export function inWorkspace<T>(
  database: DataSource,
  workspaceId: string,
  work: (manager: EntityManager) => Promise<T>,
): Promise<T> {
  return database.transaction(async (manager) => {
    await manager.query(`select set_config('dossier.workspace', $1, true)`, [workspaceId]);
    return work(manager);
  });
}
