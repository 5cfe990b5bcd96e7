import { frequenciesOf, Matcher, type Features, type Frequencies, type Limits } from '@dossier/core/matching/people';
import type { EntityManager } from 'typeorm';
import { MatchModelRow } from './entities';
import { countPeople, familiesByKey, peopleByKey } from './queries';

/** A model is read again after so long, so that a new one comes into use everywhere. */
const KEPT_MS = 60_000;

interface Kept {
  until: number;
  frequencies: Frequencies;
  learned: MatchModelRow['learned'] | undefined;
}
const kept = new Map<string, Kept>();

/**
 * Compares with what the workspace's latest search has taught; who shares an address or number, and how many work at a firm, is
 * counted anew for these people.
 */
export async function matcherFor(
  manager: EntityManager,
  workspaceId: string,
  asked: readonly Features[],
  limits: Limits,
): Promise<Matcher> {
  const model = await modelOf(manager, workspaceId);
  const points = [...new Set(asked.flatMap(({ mailboxes, phones }) => [...mailboxes, ...phones]))];
  const domains = [...new Set(asked.flatMap(({ firms }) => firms.filter((firm) => firm.startsWith('@'))))];
  const sharers = points.length > 0 ? await familiesByKey(manager, workspaceId, points) : new Map<string, number>();
  const firms = domains.length > 0 ? await peopleByKey(manager, workspaceId, domains) : new Map<string, number>();
  const { frequencies } = model;
  return new Matcher({
    ...model.learned,
    limits,
    frequencies: {
      people: frequencies.people,
      count: (what, value) =>
        what === 'firm'
          ? Math.max(firms.get(value) ?? 0, frequencies.count(what, value))
          : frequencies.count(what, value),
      sharers: (key) => Math.max(sharers.get(key) ?? 1, frequencies.sharers(key)),
    },
  });
}

/** Whether several people have a family name: then it is hardly another one misread. */
export async function isUsual(manager: EntityManager, workspaceId: string, familyName: string): Promise<boolean> {
  const { frequencies } = await modelOf(manager, workspaceId);
  return frequencies.count('family', familyName) > 1;
}

async function modelOf(manager: EntityManager, workspaceId: string): Promise<Kept> {
  const known = kept.get(workspaceId);
  if (known && known.until > Date.now()) return known;
  const row = await manager.findOneBy(MatchModelRow, { workspaceId });
  const people = await countPeople(manager, workspaceId);
  const frequencies = row ? frequenciesOf({ ...row.frequencies, people }) : nobodyCounted(people);
  const model = { until: Date.now() + KEPT_MS, frequencies, learned: row?.learned };
  kept.set(workspaceId, model);
  return model;
}

const nobodyCounted = (people: number): Frequencies => ({ people, count: () => 1, sharers: () => 1 });
