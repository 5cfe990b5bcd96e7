import type { EntityManager } from 'typeorm';
import { Workspace } from '../account';

/** Applies what was said a day ago about pictures of the past, once its time has come. */
export async function applyToPast(manager: EntityManager, workspaceId: string): Promise<void> {
  const [due] = await manager.query<{ clear_to: NonNullable<Workspace['clearTo']> }[]>(
    `select clear_to from workspace where id = $1 and clear_at <= now()`,
    [workspaceId],
  );
  if (!due) return;
  await manager.query(
    `update card set kept = $2, keep_until = filed_at + make_interval(days => $3) where workspace_id = $1 and state = 'filed'`,
    [workspaceId, due.clear_to.keepPictures, due.clear_to.keepDays],
  );
  await manager.update(Workspace, { id: workspaceId }, { clearAt: null, clearTo: null });
}
