import type { EntityManager } from 'typeorm';

/** Two requests with one id, made on a device, go one after the other. */
export const lockId = (manager: EntityManager, id: string): Promise<unknown> =>
  manager.query(`select pg_advisory_xact_lock(hashtextextended($1, 0))`, [id]);
