import type { Batch } from '@dossier/contract';
import type { DataSource } from 'typeorm';
import type { SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';
import { latestBatchOf } from './queries';

/** How far the photographs are that somebody sent together most recently; null before the first. */
export const latestBatch = (database: DataSource, { workspaceId, accountId }: SignedIn): Promise<Batch | null> =>
  inWorkspace(database, workspaceId, (manager) => latestBatchOf(manager, workspaceId, accountId));
