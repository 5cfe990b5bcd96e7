import type { Duplicates, MergedCertain, Sweep } from '@dossier/contract';
import { groupPairs, type Link } from '@dossier/core/matching/people';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { addJob } from '../../platform/queue';
import type { SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';
import { inOrder, keepApart, mergeLocked, Person, summariesOf } from '../people';
import { DuplicateRow, SweepRow } from './entities';

/** Groups that are looked at together. */
const PAGE = 30;
const MOST_PAIRS = 20_000;
/** So many groups are merged in one act at most. */
const MOST_MERGED = 300;

/** Begins a search through all people; one that is under way goes on. */
export function startSweep(database: DataSource, who: SignedIn): Promise<Sweep> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    await manager.query(`select pg_advisory_xact_lock(hashtextextended($1, 1))`, [who.workspaceId]);
    const latest = await latestSweep(manager);
    if (latest && ['waiting', 'running'].includes(latest.state)) return view(latest);
    const row: SweepRow = {
      id: uuidv7(),
      workspaceId: who.workspaceId,
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
      { workspaceId: who.workspaceId, sweepId: row.id },
      { key: `sweep:${who.workspaceId}`, maxAttempts: 2, priority: 5 },
    );
    return view(row);
  });
}

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
  return inWorkspace(database, workspaceId, async (manager) => {
    const sweep = await latestSweep(manager);
    const groups = await groupsOf(manager);
    const shown = groups.slice(0, PAGE);
    const people = await summariesOf(
      manager,
      shown.flatMap(({ members }) => members),
    );
    return {
      sweep: sweep ? view(sweep) : null,
      total: groups.length,
      certain: groups.filter(isCertain).length,
      groups: shown.map(({ members, links }) => {
        const weakest = links.at(-1)!.row;
        const { likelihood, band, evidence } = weakest;
        return {
          people: members.flatMap((id) => people.get(id) ?? []),
          likelihood,
          band,
          newJob: links.some(({ row }) => row.newJob),
          evidence,
        };
      }),
    };
  });
}

/** Merges every group of which all links are certain, each into its oldest record; each merge can be undone. */
export function mergeCertain(database: DataSource, who: SignedIn): Promise<MergedCertain> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const mergeIds: string[] = [];
    for (const { members } of (await groupsOf(manager)).filter(isCertain).slice(0, MOST_MERGED)) {
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

async function groupsOf(manager: EntityManager) {
  const rows = await manager
    .createQueryBuilder(DuplicateRow, 'd')
    .innerJoin('d.one', 'one', 'one.deletedAt is null')
    .innerJoin('d.other', 'other', 'other.deletedAt is null')
    .orderBy('d.likelihood', 'DESC')
    .addOrderBy('d.oneId')
    .addOrderBy('d.otherId')
    .limit(MOST_PAIRS)
    .getMany();
  return groupPairs<string, DuplicateLink>(
    rows.map((row) => ({ a: row.oneId, b: row.otherId, likelihood: row.likelihood, row })),
  );
}

interface DuplicateLink extends Link<string> {
  row: DuplicateRow;
}

const isCertain = ({ links }: { links: readonly DuplicateLink[] }): boolean =>
  links.every(({ row }) => row.band === 'same' && !row.newJob);

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
