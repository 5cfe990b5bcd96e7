import { blockKeys, featuresOf, type Features, type Match as Comparison } from '@dossier/core/matching/people';
import { sortName, type PersonFields } from '@dossier/core/people';
import type { EntityManager } from 'typeorm';
import { Workspace } from '../../platform/entities';
import { loadRecords, type PersonRecord } from '../people';
import { matcherFor } from './matcherOf';

/** With so many people a key says nothing; others do. */
const LARGEST_BLOCK = 60;
/** So many are compared at most, those with most keys in common first. */
const MOST_COMPARED = 40;

export interface Candidate extends Comparison {
  person: PersonRecord;
}

/**
 * Who of the workspace is the same person, or perhaps, the likeliest first. PostgreSQL brings together whoever has a key in common
 * (an address, a number, the sound of the name, pieces of name and firm), or a name with the same letters; the comparison decides.
 * @param apartFrom ids of whom it was said not to be the same
 */
export async function findCandidates(
  manager: EntityManager,
  workspaceId: string,
  fields: PersonFields,
  apartFrom: readonly string[] = [],
): Promise<Candidate[]> {
  const { country } = await manager.findOneByOrFail(Workspace, { id: workspaceId });
  const features = featuresOf(fields, country);
  const byKeys = await compareWith(
    manager,
    workspaceId,
    features,
    await withKeyInCommon(manager, workspaceId, features, apartFrom),
  );
  if (byKeys.length > 0) return byKeys;
  const name = sortName(fields);
  if (!fields.familyName || name.length < 5) return [];
  return compareWith(manager, workspaceId, features, await withLikeName(manager, workspaceId, name, apartFrom));
}

async function compareWith(
  manager: EntityManager,
  workspaceId: string,
  features: Features,
  ids: readonly string[],
): Promise<Candidate[]> {
  if (ids.length === 0) return [];
  const matcher = await matcherFor(manager, workspaceId, features);
  const people = await loadRecords(manager, ids);
  return people
    .map((person) => ({ person, ...matcher.compare(features, person.features) }))
    .filter(({ band }) => band !== 'different')
    .sort((a, b) => b.likelihood - a.likelihood);
}

async function withKeyInCommon(
  manager: EntityManager,
  workspaceId: string,
  features: Features,
  apartFrom: readonly string[],
): Promise<string[]> {
  const keys = blockKeys(features);
  if (keys.length === 0) return [];
  const rows = await manager.query<{ person_id: string }[]>(
    `select found.person_id
     from unnest($2::text[]) as asked(key)
       cross join lateral (
         select person_id, asked.key from match_key
         where workspace_id = $1 and match_key.key = asked.key limit ${LARGEST_BLOCK}) found
       join person on person.id = found.person_id and person.deleted_at is null
     where not found.person_id = any($3::uuid[])
     group by found.person_id
     order by bool_or(left(found.key, 1) in ('e', 'p')) desc, count(*) desc, found.person_id
     limit ${MOST_COMPARED}`,
    [workspaceId, keys, apartFrom],
  );
  return rows.map((row) => row.person_id);
}

async function withLikeName(
  manager: EntityManager,
  workspaceId: string,
  name: string,
  apartFrom: readonly string[],
): Promise<string[]> {
  await manager.query(`select set_config('pg_trgm.similarity_threshold', '0.4', true)`);
  const rows = await manager.query<{ id: string }[]>(
    `select id from person
     where workspace_id = $1 and deleted_at is null and sort_name % $2 and not id = any($3::uuid[])
     order by similarity(sort_name, $2) desc, id limit 20`,
    [workspaceId, name, apartFrom],
  );
  return rows.map((row) => row.id);
}

/** From this likelihood on nobody is filed as somebody new without having been compared. */
const PROBABLY = 0.5;

export async function isProbablyKnown(
  manager: EntityManager,
  workspaceId: string,
  fields: PersonFields,
): Promise<boolean> {
  const [first] = await findCandidates(manager, workspaceId, fields);
  return first !== undefined && first.likelihood >= PROBABLY;
}
