import type { Limits } from '@dossier/core/matching/people';
import type { EntityManager } from 'typeorm';
import { Workspace } from '../account';

/** From which likelihood on the workspace takes two records for one person, and asks about them. */
export async function limitsOf(manager: EntityManager, workspaceId: string): Promise<Limits> {
  const { sameFrom, perhapsFrom } = await manager.findOneByOrFail(Workspace, { id: workspaceId });
  return { same: sameFrom, perhaps: perhapsFrom };
}
