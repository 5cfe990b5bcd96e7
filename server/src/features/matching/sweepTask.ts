import type { Task } from 'graphile-worker';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { z } from 'zod';
import type { Logger } from '../../platform/logger';
import { inWorkspace } from '../../platform/workspaceScope';
import { LIST_BEGIN, type ListPlace, loadMatchRecordsAfter, type MatchRecord, NotSame, Person } from '../people';
import { DuplicateRow, MatchModelRow, SweepRow } from './entities';
import { limitsOf } from './limits';
import { addDuplicates } from './queries';
import { type FoundPairs, searchRegister } from './searchRegister';

const Payload = z.object({ workspaceId: z.uuid(), sweepId: z.uuid() });
const AT_ONCE = 5000;

/** Looks through all people of a workspace for those that are likely the same, and learns how its records are. */
export function sweepTask(database: DataSource, logger: Logger): Task {
  return async (raw) => {
    const { workspaceId, sweepId } = Payload.parse(raw);
    const step = <T>(work: (manager: EntityManager) => Promise<T>) => inWorkspace(database, workspaceId, work);
    const change = (values: Partial<SweepRow>) => step((manager) => manager.update(SweepRow, { id: sweepId }, values));
    const isWanted = await step((manager) =>
      manager.existsBy(SweepRow, { id: sweepId, state: In(['waiting', 'running']) }),
    );
    if (!isWanted) return;
    try {
      const started = performance.now();
      const [size, limits] = await step(async (manager) => [
        await manager.count(Person),
        await limitsOf(manager, workspaceId),
      ]);
      await change({ state: 'running', people: size });
      const found = await searchRegister({
        size,
        limits,
        pages: () => registerPages(workspaceId, step),
        tell: (progress) =>
          step(async (manager) => {
            const { affected } = await manager.update(SweepRow, { id: sweepId, state: 'running' }, { progress });
            return affected !== 0;
          }),
      });
      if (!found) return;
      await step((manager) => keepFound(manager, workspaceId, sweepId, found));
      logger.info(
        {
          workspaceId,
          people: found.ids.length,
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

async function keepFound(
  manager: EntityManager,
  workspaceId: string,
  sweepId: string,
  found: FoundPairs,
): Promise<void> {
  const row = await manager.findOne(SweepRow, { where: { id: sweepId }, lock: { mode: 'pessimistic_write' } });
  if (row?.state !== 'running') return;
  const apart = new Set((await manager.find(NotSame)).map(({ oneId, otherId }) => `${oneId} ${otherId}`));
  const rows = found.pairs.flatMap(({ a, b, likelihood, band, newJob, evidence }) => {
    const [oneId, otherId] = [found.ids[a]!, found.ids[b]!].sort() as [string, string];
    return apart.has(`${oneId} ${otherId}`)
      ? []
      : [
          {
            one_id: oneId,
            other_id: otherId,
            likelihood,
            band,
            new_job: newJob,
            evidence,
          },
        ];
  });
  await manager.delete(DuplicateRow, { workspaceId });
  for (let i = 0; i < rows.length; i += AT_ONCE) {
    await addDuplicates(manager, workspaceId, rows.slice(i, i + AT_ONCE));
  }
  await manager.upsert(
    MatchModelRow,
    { workspaceId, frequencies: found.frequencies, learned: found.learned, at: new Date() } as object,
    ['workspaceId'],
  );
  await manager.update(SweepRow, { id: sweepId }, { state: 'done', progress: 1, finishedAt: new Date() });
}

/** Everybody who is not deleted, as they are compared, page by page; the next page is read while the last one is looked at. */
async function* registerPages(
  workspaceId: string,
  step: <T>(work: (manager: EntityManager) => Promise<T>) => Promise<T>,
): AsyncGenerator<MatchRecord[]> {
  const pageAfter = (place: ListPlace) =>
    step((manager) => loadMatchRecordsAfter(manager, workspaceId, place, AT_ONCE));
  let next: ReturnType<typeof pageAfter> | undefined = pageAfter(LIST_BEGIN);
  while (next) {
    const page: Awaited<typeof next> = await next;
    next = page.last && page.records.length === AT_ONCE ? pageAfter(page.last) : undefined;
    yield page.records;
  }
}
