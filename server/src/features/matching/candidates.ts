import {
  blockKeys,
  featuresOf,
  type Features,
  type Limits,
  type Match as Comparison,
} from '@dossier/core/matching/people';
import { sortName, type PersonFields } from '@dossier/core/people';
import type { EntityManager } from 'typeorm';
import { loadRecords, type PersonRecord } from '../people';
import { isUsual, matcherFor } from './matcherOf';

/** With so many people a key says nothing; others do. */
const LARGEST_BLOCK = 60;
/** So many are compared at most, those with most keys in common first. */
const MOST_COMPARED = 40;
/** A shorter name misread in several places could be anybody's. */
const LONG_NAME = 7;
/** Among so many with pieces in common, whoever it is would have been one of them. */
const MANY = 20;

export interface Candidate extends Comparison {
  person: PersonRecord;
}

/**
 * Who of the workspace is the same person, or perhaps, the likeliest first. PostgreSQL brings together whoever has a key in common
 * (an address, a number, the sound of the name, pieces of name and firm), or a name with the same letters; the comparison decides.
 * @param cardId the card that the fields are from: people it was said not to be of are left out
 */
export async function findCandidates(
  manager: EntityManager,
  workspaceId: string,
  fields: PersonFields,
  cardId: string | null = null,
): Promise<Candidate[]> {
  const { country, limits, occasions, apartFrom } = await circumstances(manager, workspaceId, cardId);
  const features = featuresOf(fields, country, { occasions });
  const compareWith = async (ids: readonly string[]): Promise<Candidate[]> => {
    if (ids.length === 0) return [];
    const matcher = await matcherFor(manager, workspaceId, features, limits);
    const people = await loadRecords(manager, ids);
    return people
      .map((person) => ({ person, ...matcher.compare(features, person.features) }))
      .filter(({ band }) => band !== 'different')
      .sort((a, b) => b.likelihood - a.likelihood);
  };
  const keyed = await withKeyInCommon(manager, workspaceId, features, apartFrom);
  const byKeys = await compareWith(keyed);
  if (byKeys.length > 0) return byKeys;
  const { familyLast } = features.name;
  const mayBeMisread =
    keyed.length < MANY && familyLast.length >= LONG_NAME && !(await isUsual(manager, workspaceId, familyLast));
  return mayBeMisread ? compareWith(await withLikeName(manager, sortName(fields), apartFrom)) : [];
}

interface Circumstances {
  country: string;
  limits: Limits;
  occasions: string[];
  apartFrom: string[];
}

async function circumstances(
  manager: EntityManager,
  workspaceId: string,
  cardId: string | null,
): Promise<Circumstances> {
  const [row] = await manager.query<(Omit<Circumstances, 'limits'> & Limits)[]>(
    `select country, same_from as same, perhaps_from as perhaps,
       array(select occasion_id from card where id = $2 and occasion_id is not null) as occasions,
       array(select case one_id when $2 then other_id else one_id end from not_same where one_id = $2 or other_id = $2) as "apartFrom"
     from workspace where id = $1`,
    [workspaceId, cardId],
  );
  const { same, perhaps, ...rest } = row!;
  return { ...rest, limits: { same, perhaps } };
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

async function withLikeName(manager: EntityManager, name: string, apartFrom: readonly string[]): Promise<string[]> {
  const rows = await manager.query<{ id: string }[]>('select id from people_named_like($1, $2::uuid[], 20) id', [
    name,
    apartFrom,
  ]);
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
