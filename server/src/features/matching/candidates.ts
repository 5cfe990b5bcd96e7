import { blockKeys, featuresOf, type Match as Comparison } from '@dossier/core/matching/people';
import { sortName, type PersonFields } from '@dossier/core/people';
import type { EntityManager } from 'typeorm';
import { loadRecords, presentName, type PersonRecord } from '../people';
import { isUsual, matcherFor } from './matcherOf';
import { circumstancesOf, peopleNamedLike, peopleWithKeys } from './queries';

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
  const { country, limits, occasions, apartFrom } = await circumstancesOf(manager, workspaceId, cardId);
  // Cards say what a firm was called when they were printed.
  const company = await presentName(manager, workspaceId, fields.company);
  const features = featuresOf({ ...fields, company }, country, { occasions });
  const compareWith = async (ids: readonly string[]): Promise<Candidate[]> => {
    if (ids.length === 0) return [];
    const matcher = await matcherFor(manager, workspaceId, features, limits);
    const people = await loadRecords(manager, workspaceId, ids);
    return people
      .map((person) => ({ person, ...matcher.compare(features, person.features) }))
      .filter(({ band }) => band !== 'different')
      .sort((a, b) => b.likelihood - a.likelihood);
  };
  const keys = blockKeys(features);
  const keyed = keys.length > 0 ? await peopleWithKeys(manager, workspaceId, keys, apartFrom) : [];
  const byKeys = await compareWith(keyed);
  if (byKeys.length > 0) return byKeys;
  const { familyLast } = features.name;
  const mayBeMisread =
    keyed.length < MANY && familyLast.length >= LONG_NAME && !(await isUsual(manager, workspaceId, familyLast));
  return mayBeMisread ? compareWith(await peopleNamedLike(manager, sortName(fields), apartFrom)) : [];
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
