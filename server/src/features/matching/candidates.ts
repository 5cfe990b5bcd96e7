import { blockKeys, featuresOf, type Match as Comparison } from '@dossier/core/matching/people';
import { sortName, type PersonFields } from '@dossier/core/people';
import type { EntityManager } from 'typeorm';
import { loadRecords, presentNames, type PersonRecord } from '../people';
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
 * Who of the workspace is the same person, or perhaps, the likeliest first, for each of some.
 * PostgreSQL brings together whoever has a key in common (an address, a number, the sound of the name, pieces of name and firm), or a name
 * with the same letters; the comparison decides. However many are asked for, it takes the same few queries.
 * @param cardId the card that the fields are from: people it was said not to be of are left out
 */
export async function findCandidatesOfEach(
  manager: EntityManager,
  workspaceId: string,
  asked: readonly PersonFields[],
  cardId: string | null = null,
): Promise<Candidate[][]> {
  if (asked.length === 0) return [];
  const { country, limits, occasions, apartFrom } = await circumstancesOf(manager, workspaceId, cardId);
  // Cards say what a firm was called when they were printed.
  const presentName = await presentNames(manager, workspaceId, asked.map(({ company }) => company)); // prettier-ignore
  const features = asked.map((fields) =>
    featuresOf({ ...fields, company: presentName(fields.company) }, country, { occasions }),
  );
  const compareWith = async (ids: readonly (readonly string[])[]): Promise<Candidate[][]> => {
    const all = [...new Set(ids.flat())];
    if (all.length === 0) return ids.map(() => []);
    const matcher = await matcherFor(manager, workspaceId, features, limits);
    const people = new Map((await loadRecords(manager, workspaceId, all)).map((person) => [person.id, person]));
    return ids.map((own, i) =>
      own
        .flatMap((id) => people.get(id) ?? [])
        .map((person) => ({ person, ...matcher.compare(features[i]!, person.features) }))
        .filter(({ band }) => band !== 'different')
        .sort((a, b) => b.likelihood - a.likelihood),
    );
  };
  const keyed = await peopleWithKeys(manager, workspaceId, features.map(blockKeys), apartFrom);
  const found = await compareWith(keyed);
  const misread: number[] = [];
  for (const [i, { name }] of features.entries()) {
    const { familyLast } = name;
    if (found[i]!.length > 0 || keyed[i]!.length >= MANY || familyLast.length < LONG_NAME) continue;
    if (!(await isUsual(manager, workspaceId, familyLast))) misread.push(i);
  }
  const alike = await peopleNamedLike(manager, misread.map((i) => sortName(asked[i]!)), apartFrom); // prettier-ignore
  const byName = await compareWith(features.map((_, i) => alike[misread.indexOf(i)] ?? []));
  return found.map((own, i) => (own.length > 0 ? own : byName[i]!));
}

/** As `findCandidatesOfEach`, for one. */
export async function findCandidates(
  manager: EntityManager,
  workspaceId: string,
  fields: PersonFields,
  cardId: string | null = null,
): Promise<Candidate[]> {
  return (await findCandidatesOfEach(manager, workspaceId, [fields], cardId))[0]!;
}

/**
 * Whether two of some people, who need not be here, are perhaps the same.
 * @returns of two of them by their places
 */
export async function comparing(
  manager: EntityManager,
  workspaceId: string,
  people: readonly PersonFields[],
): Promise<(one: number, other: number) => boolean> {
  const { country, limits } = await circumstancesOf(manager, workspaceId, null);
  const features = people.map((fields) => featuresOf(fields, country));
  const matcher = await matcherFor(manager, workspaceId, features, limits);
  return (one, other) => matcher.compare(features[one]!, features[other]!).band !== 'different';
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
