import { frequenciesOf, Matcher, type Features, type Frequencies, type Limits } from '@dossier/core/matching/people';
import type { EntityManager } from 'typeorm';
import { MatchModelRow } from './entities';

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
  asked: Features,
  limits: Limits,
): Promise<Matcher> {
  const model = await modelOf(manager, workspaceId);
  const sharers = await countSharers(manager, workspaceId, [...asked.mailboxes, ...asked.phones]);
  const firms = await countKeys(
    manager,
    workspaceId,
    asked.firms.filter((firm) => firm.startsWith('@')),
  );
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
  const [{ people }] = (await manager.query<{ people: number }[]>(
    'select count(*)::int as people from person where workspace_id = $1',
    [workspaceId],
  )) as [{ people: number }];
  const frequencies = row ? frequenciesOf({ ...row.frequencies, people }) : nobodyCounted(people);
  const model = { until: Date.now() + KEPT_MS, frequencies, learned: row?.learned };
  kept.set(workspaceId, model);
  return model;
}

const nobodyCounted = (people: number): Frequencies => ({ people, count: () => 1, sharers: () => 1 });

/** How many families have each address or number. */
async function countSharers(
  manager: EntityManager,
  workspaceId: string,
  keys: readonly string[],
): Promise<Map<string, number>> {
  if (keys.length === 0) return new Map();
  const rows = await manager.query<{ key: string; families: number }[]>(
    `select point.key, count(distinct lower(person.family_name))::int as families
     from contact_point point join person on person.id = point.person_id and person.deleted_at is null
     where point.workspace_id = $1 and point.kind in ('email', 'phone') and point.key = any($2) group by point.key`,
    [workspaceId, keys],
  );
  return new Map(rows.map(({ key, families }) => [key, families]));
}

async function countKeys(
  manager: EntityManager,
  workspaceId: string,
  keys: readonly string[],
): Promise<Map<string, number>> {
  if (keys.length === 0) return new Map();
  const rows = await manager.query<{ key: string; people: number }[]>(
    'select key, count(*)::int as people from match_key where workspace_id = $1 and key = any($2) group by key',
    [workspaceId, keys],
  );
  return new Map(rows.map(({ key, people }) => [key, people]));
}
