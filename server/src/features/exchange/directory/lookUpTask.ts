import type { Task } from 'graphile-worker';
import type { DataSource } from 'typeorm';
import type { Reach } from '../../../platform/outside';
import { lookUpNext } from './lookUp';

/** Asks about a few people at a time, so that it can be stopped in between; begun again it goes on where it was. */
export const lookUpTask =
  (parts: { database: DataSource } & Pick<Reach, 'sealing' | 'allowed'>): Task =>
  async (payload) => {
    const { workspaceId, lookUpId } = payload as { workspaceId: string; lookUpId: string };
    while (await lookUpNext(parts, workspaceId, lookUpId));
  };
