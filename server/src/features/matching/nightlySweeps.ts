import type { Task } from 'graphile-worker';
import type { DataSource } from 'typeorm';
import { inWorkspace } from '../../platform/workspaceScope';
import { Workspace } from '../account';
import { beginSweep } from './duplicates';
import { haveChangedSinceSweep } from './queries';

/** Begins a search in every workspace in which somebody was filed or changed since the last one: its frequencies stay its own. */
export function nightlySweepsTask(database: DataSource): Task {
  return async () => {
    for (const { id } of await database.getRepository(Workspace).find({ select: { id: true } })) {
      await inWorkspace(database, id, async (manager) => {
        if (await haveChangedSinceSweep(manager, id)) await beginSweep(manager, id);
      });
    }
  };
}
