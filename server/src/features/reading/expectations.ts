import type { ProposeOptions } from '@dossier/core/reading';
import type { EntityManager } from 'typeorm';
import { Workspace } from '../account';
import { Occasion } from '../capture';
import type { Card } from './entities';
import { learnedIn } from './learning';

/** What is expected of a card: what a person said of it, else its occasion, else the workspace; and what was learned. */
export async function expectationsOf(
  manager: EntityManager,
  workspaceId: string,
  { occasionId, expected }: Pick<Card, 'occasionId'> & Partial<Pick<Card, 'expected'>>,
): Promise<ProposeOptions> {
  const workspace = await manager.findOneByOrFail(Workspace, { id: workspaceId });
  const occasion = occasionId ? await manager.findOneBy(Occasion, { id: occasionId }) : null;
  return {
    assumedCountry: expected?.country ?? occasion?.country ?? workspace.country,
    languages: [expected?.languages, occasion?.languages].find((l) => l?.length) ?? workspace.languages,
    learned: await learnedIn(manager),
  };
}
