import { blockKeys, featuresOf } from '@dossier/core/matching/people';
import type { PersonFields } from '@dossier/core/people';
import type { DataSource, EntityManager } from 'typeorm';
import { Workspace } from '../../platform/entities';
import type { Logger } from '../../platform/logger';
import { inWorkspace } from '../../platform/workspaceScope';
import { Person } from './entities';
import { loadFields } from './loadFields';
import { MatchKey } from './recordEntities';

/** Goes up when keys are made in another way: everybody's are made anew then. */
const KEYS_VERSION = 1;
const AT_ONCE = 200;

/** Replaces the keys by which a person is found as perhaps the same as another. */
export async function saveMatchKeys(
  manager: EntityManager,
  { workspaceId, personId }: { workspaceId: string; personId: string },
  fields: PersonFields,
): Promise<void> {
  const features = featuresOf(fields);
  const keys = [...blockKeys(features), ...features.firms.filter((firm) => firm.startsWith('@'))];
  await manager.delete(MatchKey, { personId });
  if (keys.length > 0)
    await manager.query(
      `insert into match_key (workspace_id, key, person_id) select $1, unnest($2::text[]), $3 on conflict do nothing`,
      [workspaceId, keys, personId],
    );
  await manager.update(Person, { id: personId }, { keysVersion: KEYS_VERSION });
}

/** Makes the keys of people whose were never made, or made in an older way; a few at a time. */
export async function makeMissingKeys(database: DataSource, logger: Logger): Promise<void> {
  for (const { id: workspaceId } of await database.getRepository(Workspace).find({ select: { id: true } })) {
    let made = 0;
    for (let some = AT_ONCE; some === AT_ONCE; made += some) {
      some = await inWorkspace(database, workspaceId, async (manager) => {
        const rows = await manager.query<{ id: string }[]>(
          `select id from person where workspace_id = $1 and keys_version < $2 limit ${AT_ONCE} for update skip locked`,
          [workspaceId, KEYS_VERSION],
        );
        const people = await loadFields(
          manager,
          rows.map(({ id }) => id),
        );
        for (const [personId, { fields }] of people) await saveMatchKeys(manager, { workspaceId, personId }, fields);
        return rows.length;
      });
    }
    if (made > 0) logger.info({ workspaceId, made }, 'match keys made');
  }
}
