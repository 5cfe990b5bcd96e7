import { blockKeys, featuresOf } from '@dossier/core/matching/people';
import type { PersonFields } from '@dossier/core/people';
import { In, type DataSource, type EntityManager } from 'typeorm';
import type { Logger } from '../../platform/logger';
import { inWorkspace } from '../../platform/workspaceScope';
import { Workspace } from '../account';
import { Person } from './entities';
import { loadFields } from './loadFields';
import { peopleWithOldKeys, replaceMatchKeys } from './queries';

/** Goes up when keys are made in another way: everybody's are made anew then. */
const KEYS_VERSION = 1;
const AT_ONCE = 500;

/** Replaces the keys by which a person is found as perhaps the same as another. */
export const saveMatchKeys = (
  manager: EntityManager,
  { workspaceId, personId }: { workspaceId: string; personId: string },
  fields: PersonFields,
): Promise<void> => saveKeysOf(manager, workspaceId, [[personId, fields]]);

/** As `saveMatchKeys`, for many in two queries. */
export async function saveKeysOf(
  manager: EntityManager,
  workspaceId: string,
  people: readonly (readonly [personId: string, fields: PersonFields])[],
): Promise<void> {
  const ids = people.map(([personId]) => personId);
  const rows = people.flatMap(([personId, fields]) => keysOf(fields).map((key) => [personId, key] as const));
  await replaceMatchKeys(manager, workspaceId, ids, rows);
  await manager.update(Person, { id: In(ids) }, { keysVersion: KEYS_VERSION });
}

/** The keys of `core/matching`, and the firm's domains by themselves. */
function keysOf(fields: PersonFields): string[] {
  const features = featuresOf(fields);
  return [...blockKeys(features), ...features.firms.filter((firm) => firm.startsWith('@'))];
}

/** Makes the keys of people whose were never made, or made in an older way; a few at a time. */
export async function makeMissingKeys(database: DataSource, logger: Logger): Promise<void> {
  for (const { id: workspaceId } of await database.getRepository(Workspace).find({ select: { id: true } })) {
    let made = 0;
    for (let some = AT_ONCE; some === AT_ONCE; made += some) {
      some = await inWorkspace(database, workspaceId, async (manager) => {
        const ids = await peopleWithOldKeys(manager, workspaceId, KEYS_VERSION, AT_ONCE);
        const people = await loadFields(manager, ids);
        await saveKeysOf(
          manager,
          workspaceId,
          [...people].map(([id, { fields }]) => [id, fields] as const),
        );
        return ids.length;
      });
    }
    if (made > 0) logger.info({ workspaceId, made }, 'match keys made');
  }
}
