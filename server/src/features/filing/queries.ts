import type { EntityManager } from 'typeorm';

/** Filings under one key go one after the other. */
export const lockKey = (manager: EntityManager, workspaceId: string, key: string): Promise<unknown> =>
  manager.query(`select pg_advisory_xact_lock(hashtextextended($1, 2))`, [`${workspaceId} ${key}`]);
