import type { Task } from 'graphile-worker';
import type { DataSource } from 'typeorm';
import { failImport, goOn } from './bringIn';

interface Payload {
  workspaceId: string;
  importId: string;
}

/** Goes through a file, or takes it back, some rows at a time: others are served in between, and it can be stopped. */
export function bringInTask(database: DataSource): Task {
  return async (payload, { job }) => {
    const { workspaceId, importId } = payload as Payload;
    try {
      while (await goOn(database, workspaceId, importId));
    } catch (error) {
      if (job.attempts >= job.max_attempts) await failImport(database, workspaceId, importId);
      throw error;
    }
  };
}
