import type { ProposeOptions } from '@dossier/core/reading';
import type { EntityManager } from 'typeorm';
import { Workspace } from '../../platform/entities';
import { Occasion } from '../capture';
import { learnedIn } from './learning';

/** What a workspace expects of a card, unless its occasion says otherwise, and what it has learned. */
export async function expectationsOf(
  manager: EntityManager,
  workspaceId: string,
  occasionId: string | null,
): Promise<ProposeOptions> {
  const workspace = await manager.findOneByOrFail(Workspace, { id: workspaceId });
  const occasion = occasionId ? await manager.findOneBy(Occasion, { id: occasionId }) : null;
  return {
    assumedCountry: occasion?.country ?? workspace.country,
    languages: occasion?.languages.length ? occasion.languages : workspace.languages,
    learned: await learnedIn(manager),
  };
}
