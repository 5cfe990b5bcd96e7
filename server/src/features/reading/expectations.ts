import type { ProposeOptions } from '@dossier/core/reading';
import type { EntityManager } from 'typeorm';
import { Workspace } from '../../platform/entities';
import { learnedIn } from './learning';

/** What a workspace expects of a card, and what it has learned. */
export async function expectationsOf(manager: EntityManager, workspaceId: string): Promise<ProposeOptions> {
  const { country, languages } = await manager.findOneByOrFail(Workspace, { id: workspaceId });
  return { assumedCountry: country, languages, learned: await learnedIn(manager) };
}
