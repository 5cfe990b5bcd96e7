import type { EntityManager } from 'typeorm';
import { Workspace } from '../account';
import { keepFiledAs, whatIsDueOfPast } from './queries';

/** Applies what was said a day ago about pictures of the past, once its time has come. */
export async function applyToPast(manager: EntityManager, workspaceId: string): Promise<void> {
  const due = await whatIsDueOfPast(manager, workspaceId);
  if (!due) return;
  await keepFiledAs(manager, workspaceId, due.keepPictures, due.keepDays);
  await manager.update(Workspace, { id: workspaceId }, { clearAt: null, clearTo: null });
}
