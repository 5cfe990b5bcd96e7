import { sweep, type Features, type Sweep } from '@dossier/core/matching/people';
import type { Task } from 'graphile-worker';
import type { DataSource, EntityManager } from 'typeorm';
import { setImmediate as nextTurn } from 'node:timers/promises';
import { z } from 'zod';
import type { Logger } from '../../platform/logger';
import { inWorkspace } from '../../platform/workspaceScope';
import { loadRecordsAfter, NotSame } from '../people';
import { DuplicateRow, MatchModelRow, SweepRow } from './entities';

const Payload = z.object({ workspaceId: z.uuid(), sweepId: z.uuid() });
const AT_ONCE = 5000;
/** So many reasons are kept of each pair, the most telling ones. */
const MOST_REASONS = 8;
/** How often progress is written down and it is looked whether to stop. */
const TELL_MS = 700;

/** Looks through all people of a workspace for those that are likely the same, and learns how its records are. */
export function sweepTask(database: DataSource, logger: Logger): Task {
  return async (raw) => {
    const { workspaceId, sweepId } = Payload.parse(raw);
    const step = <T>(work: (manager: EntityManager) => Promise<T>) => inWorkspace(database, workspaceId, work);
    const change = (values: Partial<SweepRow>) => step((manager) => manager.update(SweepRow, { id: sweepId }, values));
    const isCancelled = () => step((manager) => manager.existsBy(SweepRow, { id: sweepId, state: 'cancelled' }));
    if (await isCancelled()) return;
    try {
      const started = performance.now();
      const register = await step(loadRegister);
      await change({ state: 'running', people: register.length });
      const found = await searchThrough(register, async (progress) => {
        await step((manager) => manager.update(SweepRow, { id: sweepId, state: 'running' }, { progress }));
        return isCancelled();
      });
      if (!found) return;
      await step((manager) => keepFound(manager, workspaceId, sweepId, register, found));
      logger.info(
        {
          workspaceId,
          people: register.length,
          pairs: found.pairs.length,
          ms: Math.round(performance.now() - started),
        },
        'people compared',
      );
    } catch (error) {
      await change({ state: 'failed', finishedAt: new Date() });
      throw error;
    }
  };
}

interface Registered {
  id: string;
  features: Features;
}

/** Searches a little at a time, so that the process stays alive to others. @returns nothing when cancelled */
async function searchThrough(
  register: readonly Registered[],
  tell: (progress: number) => Promise<boolean>,
): Promise<Sweep | undefined> {
  const search = sweep(register.map(({ features }) => features));
  let told = performance.now();
  for (;;) {
    const step = search.next();
    if (step.done) return step.value;
    await nextTurn();
    if (performance.now() - told < TELL_MS) continue;
    told = performance.now();
    if (await tell(step.value)) return undefined;
  }
}

async function keepFound(
  manager: EntityManager,
  workspaceId: string,
  sweepId: string,
  register: readonly Registered[],
  found: Sweep,
): Promise<void> {
  const row = await manager.findOne(SweepRow, { where: { id: sweepId }, lock: { mode: 'pessimistic_write' } });
  if (row?.state !== 'running') return;
  const apart = new Set((await manager.find(NotSame)).map(({ oneId, otherId }) => `${oneId} ${otherId}`));
  const rows = found.pairs.flatMap(({ a, b, likelihood, band, newJob, evidence }) => {
    const [oneId, otherId] = [register[a]!.id, register[b]!.id].sort() as [string, string];
    return apart.has(`${oneId} ${otherId}`)
      ? []
      : [
          {
            one_id: oneId,
            other_id: otherId,
            likelihood,
            band,
            new_job: newJob,
            evidence: evidence.slice(0, MOST_REASONS),
          },
        ];
  });
  await manager.delete(DuplicateRow, { workspaceId });
  for (let i = 0; i < rows.length; i += AT_ONCE) {
    // Somebody may have been merged or erased while it was looked.
    await manager.query(
      `insert into duplicate (workspace_id, one_id, other_id, likelihood, band, new_job, evidence)
       select $1, d.one_id, d.other_id, d.likelihood, d.band, d.new_job, d.evidence
       from jsonb_to_recordset($2::jsonb) as d(one_id uuid, other_id uuid, likelihood real, band text, new_job boolean, evidence jsonb)
         join person one on one.id = d.one_id join person other on other.id = d.other_id`,
      [workspaceId, JSON.stringify(rows.slice(i, i + AT_ONCE))],
    );
  }
  await manager.upsert(
    MatchModelRow,
    { workspaceId, frequencies: found.frequencies.toTable(), learned: found.learned, at: new Date() } as object,
    ['workspaceId'],
  );
  await manager.update(SweepRow, { id: sweepId }, { state: 'done', progress: 1, finishedAt: new Date() });
}

/** Everybody who is not deleted, as they are compared, page by page. */
async function loadRegister(manager: EntityManager): Promise<Registered[]> {
  const register: Registered[] = [];
  for (let after = NOBODY; ; after = register.at(-1)!.id) {
    const page = await loadRecordsAfter(manager, after, AT_ONCE);
    for (const { id, features } of page) register.push({ id, features });
    if (page.length < AT_ONCE) return register;
  }
}

const NOBODY = '00000000-0000-0000-0000-000000000000';
