import type { DataSource } from 'typeorm';
import type { SignedIn } from '../../platform/session';
import { inSnapshot } from '../../platform/workspaceScope';
import { Workspace } from '../account';

export const teamName = (database: DataSource, { workspaceId }: SignedIn): Promise<string> =>
  inSnapshot(database, workspaceId, async (manager) => (await manager.findOneByOrFail(Workspace, { id: workspaceId })).name); // prettier-ignore
