import type { Duplicates, LatestSweep, MergedCertain, Sweep } from '@dossier/contract';
import { groupPairs, type Link } from '@dossier/core/matching/people';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { addJob } from '../../platform/queue';
import type { SignedIn } from '../../platform/session';
import { inSnapshot, inWorkspace } from '../../platform/workspaceScope';
import { inOrder, keepApart, mergeLocked, NotSame, Person, summariesOf } from '../people';
import { DuplicateRow, SweepRow } from './entities';
import { duplicateLinks, isInQueue, lockSweeps, type DuplicateLink } from './queries';

/** Groups that are looked at together. */
const PAGE = 30;
/** So many groups are merged in one act at most. */
const MOST_MERGED = 300;

/** Begins a search through all people; one that is under way goes on. */
export const startSweep = (database: DataSource, { workspaceId }: SignedIn): Promise<Sweep> =>
  inWorkspace(database, workspaceId, (manager) => beginSweep(manager, workspaceId));

export async function beginSweep(manager: EntityManager, workspaceId: string): Promise<Sweep> {
  await lockSweeps(manager, workspaceId);
  const latest = await latestSweep(manager);
  if (latest && ['waiting', 'running'].includes(latest.state)) {
    if (await isInQueue(manager, sweepKey(workspaceId))) return view(latest);
    // Whoever was at it is gone for good: a worker that died in it twice, say.
    await manager.update(SweepRow, { id: latest.id }, { state: 'failed', finishedAt: new Date() });
  }
  const row: SweepRow = {
    id: uuidv7(),
    workspaceId,
    state: 'waiting',
    progress: 0,
    people: 0,
    startedAt: new Date(),
    finishedAt: null,
  };
  await manager.insert(SweepRow, row);
  await addJob(
    manager,
    'sweepPeople',
    { workspaceId, sweepId: row.id },
    { key: sweepKey(workspaceId), maxAttempts: 2, priority: 5 },
  );
  return view(row);
}

const sweepKey = (workspaceId: string): string => `sweep:${workspaceId}`;

/** Where the latest search stands. */
export const showSweep = (database: DataSource, { workspaceId }: SignedIn): Promise<LatestSweep> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const latest = await latestSweep(manager);
    if (!latest) return { sweep: null };
    const isDead = ['waiting', 'running'].includes(latest.state) && !(await isInQueue(manager, sweepKey(workspaceId)));
    return { sweep: view(isDead ? { ...latest, state: 'failed' } : latest) };
  });

export function cancelSweep(database: DataSource, who: SignedIn): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    await manager.update(
      SweepRow,
      { state: In(['waiting', 'running']) },
      { state: 'cancelled', finishedAt: new Date() },
    );
  });
}

/** Groups of likely duplicates, the likeliest first, as the latest search found them and people have left them since. */
export function listDuplicates(database: DataSource, { workspaceId }: SignedIn): Promise<Duplicates> {
  return inSnapshot(database, workspaceId, async (manager) => {
    const sweep = await latestSweep(manager);
    const groups = await groupsOf(manager, workspaceId);
    const shown = groups.slice(0, PAGE);
    const people = await summariesOf(
      manager,
      workspaceId,
      shown.flatMap(({ members }) => members),
    );
    const reasons = await reasonsOf(manager, shown.map(({ links }) => links.at(-1)!)); // prettier-ignore
    return {
      sweep: sweep ? view(sweep) : null,
      total: groups.length,
      certain: groups.filter(isCertain).length,
      groups: shown.map(({ members, links }) => {
        const { likelihood, band, a, b } = links.at(-1)!;
        return {
          people: members.flatMap((id) => people.get(id) ?? []),
          likelihood,
          band,
          newJob: links.some((link) => link.newJob),
          evidence: reasons.get(`${a} ${b}`) ?? [],
        };
      }),
    };
  });
}

/** Merges every group of which all links are certain, each into its oldest record; each merge can be undone. */
export function mergeCertain(database: DataSource, who: SignedIn): Promise<MergedCertain> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const mergeIds: string[] = [];
    for (const { members } of (await groupsOf(manager, who.workspaceId)).filter(isCertain).slice(0, MOST_MERGED)) {
      const people = await manager.find(Person, { where: { id: In(members) }, order: { createdAt: 'ASC', id: 'ASC' } });
      const [into, ...others] = people.map(({ id, version }) => ({ id, version }));
      if (!into || others.length === 0) continue;
      mergeIds.push((await mergeLocked(manager, who, { into, others, fields: null })).mergeId);
    }
    return { merged: mergeIds.length, mergeIds };
  });
}

/** Remembers that two are not the same; they are not asked about any more. */
export function notSame(database: DataSource, who: SignedIn, [a, b]: readonly [string, string]): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    await keepApart(manager, who, a, b);
    await manager.delete(DuplicateRow, inOrder(a, b));
  });
}

async function groupsOf(manager: EntityManager, workspaceId: string) {
  const links = await duplicateLinks(manager, workspaceId);
  const apart = new Set((await manager.find(NotSame)).map(({ oneId, otherId }) => `${oneId} ${otherId}`));
  return groupPairs<string, DuplicateLink>(links, (a, b) => apart.has(a < b ? `${a} ${b}` : `${b} ${a}`));
}

/** Why the two of each pair are alike, by both ids. */
async function reasonsOf(
  manager: EntityManager,
  pairs: readonly Link<string>[],
): Promise<Map<string, DuplicateRow['evidence']>> {
  // An empty list of conditions would be none at all.
  if (pairs.length === 0) return new Map();
  const rows = await manager.findBy(
    DuplicateRow,
    pairs.map(({ a, b }) => ({ oneId: a, otherId: b })),
  );
  return new Map(rows.map(({ oneId, otherId, evidence }) => [`${oneId} ${otherId}`, evidence]));
}

const isCertain = ({ links }: { links: readonly DuplicateLink[] }): boolean =>
  links.every(({ band, newJob }) => band === 'same' && !newJob);

const latestSweep = (manager: EntityManager): Promise<SweepRow | null> =>
  manager.findOne(SweepRow, { where: {}, order: { startedAt: 'DESC' } });

const view = ({ id, state, progress, people, startedAt, finishedAt }: SweepRow): Sweep => ({
  id,
  state,
  progress,
  people,
  startedAt: startedAt.toISOString(),
  finishedAt: finishedAt?.toISOString() ?? null,
});
