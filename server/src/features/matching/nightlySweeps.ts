import type { Task } from 'graphile-worker';
import type { DataSource } from 'typeorm';
import { inWorkspace } from '../../platform/workspaceScope';
import { Workspace } from '../account';
import { beginSweep } from './duplicates';

/** Begins a search in every workspace in which somebody was filed or changed since the last one: its frequencies stay its own. */
export function nightlySweepsTask(database: DataSource): Task {
  return async () => {
    for (const { id } of await database.getRepository(Workspace).find({ select: { id: true } })) {
      await inWorkspace(database, id, async (manager) => {
        const [row] = await manager.query<{ changed: boolean }[]>(
          `select coalesce(max(updated_at) > coalesce((select at from match_model where workspace_id = $1), '-infinity'), false) as changed
           from person where workspace_id = $1`,
          [id],
        );
        if (row!.changed) await beginSweep(manager, id);
      });
    }
  };
}
