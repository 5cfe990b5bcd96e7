import { may } from '@dossier/core/account';
import type { EntityManager } from 'typeorm';
import { ProblemError } from '../../platform/problem';
import type { Visitor } from '../../platform/session';
import { Workspace } from '../account';

/** Whose figures somebody sees: everybody's, or their own beside what all have together. */
export interface Sight {
  workspace: Workspace;
  /** Null for everybody's. */
  only: string | null;
}

export async function sightOf(manager: EntityManager, { workspaceId, accountId, role }: Visitor): Promise<Sight> {
  const workspace = await manager.findOneByOrFail(Workspace, { id: workspaceId });
  return { workspace, only: may(role, 'settle') || workspace.figures === 'all' ? null : accountId };
}

/** @throws ProblemError 403 for the figures of a colleague */
export function assertInSight({ only }: Sight, owners: readonly string[]): void {
  if (only && owners.some((owner) => owner !== only))
    throw new ProblemError(403, 'not-for-your-role', 'Not yours to see', 'You see your own figures and those of the whole team. Whoever is in charge can open the others.'); // prettier-ignore
}

/** Rows of those who are in sight. */
export const inSight = <T>({ only }: Sight, rows: readonly T[], ownerOf: (row: T) => string | null): T[] =>
  only ? rows.filter((row) => ownerOf(row) === only) : [...rows];
