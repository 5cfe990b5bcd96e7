import { featuresOf, sweep, type Features, type Sweep } from '@dossier/core/matching/people';
import type { PersonFields } from '@dossier/core/people';
import type { Task } from 'graphile-worker';
import type { DataSource, EntityManager } from 'typeorm';
import { setImmediate as nextTurn } from 'node:timers/promises';
import { z } from 'zod';
import type { Logger } from '../../platform/logger';
import { inWorkspace } from '../../platform/workspaceScope';
import { NotSame } from '../people';
import { DuplicateRow, MatchModelRow, SweepRow } from './entities';

const Payload = z.object({ workspaceId: z.uuid(), sweepId: z.uuid() });
const AT_ONCE = 5000;
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
      : [{ one_id: oneId, other_id: otherId, likelihood, band, new_job: newJob, evidence }];
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

interface Row {
  id: string;
  prefix: string;
  given_name: string;
  middle_name: string;
  family_name: string;
  suffix: string;
  street: string;
  postal_code: string;
  locality: string;
  country: string;
  title: string | null;
  company: string | null;
  reach:
    | {
        kind: 'email' | 'phone' | 'website';
        value: string;
        key: string;
        phone_kind: string | null;
        extension: string;
      }[]
    | null;
}

/** Everybody who is not deleted, as they are compared; page by page, as plain rows. */
async function loadRegister(manager: EntityManager): Promise<Registered[]> {
  const register: Registered[] = [];
  for (let after = '00000000-0000-0000-0000-000000000000', page: Row[] = []; ; after = page.at(-1)!.id) {
    page = await manager.query<Row[]>(
      `select p.id, p.prefix, p.given_name, p.middle_name, p.family_name, p.suffix, p.street, p.postal_code, p.locality, p.country,
         e.title, c.name as company,
         (select json_agg(json_build_object('kind', r.kind, 'value', r.value, 'key', r.key, 'phone_kind', r.phone_kind, 'extension', r.extension)
                          order by r.position) from reach r where r.person_id = p.id) as reach
       from person p
         left join employment e on e.person_id = p.id and e.ended_at is null
         left join company c on c.id = e.company_id
       where p.id > $1 and p.deleted_at is null order by p.id limit ${AT_ONCE}`,
      [after],
    );
    for (const row of page) register.push({ id: row.id, features: featuresOfRow(row) });
    if (page.length < AT_ONCE) return register;
  }
}

function featuresOfRow(row: Row): Features {
  const reach = row.reach ?? [];
  const values = (kind: string) => reach.filter((one) => one.kind === kind);
  const fields: PersonFields = {
    prefix: row.prefix,
    givenName: row.given_name,
    middleName: row.middle_name,
    familyName: row.family_name,
    suffix: row.suffix,
    title: row.title ?? '',
    department: '',
    company: row.company ?? '',
    emails: values('email').map(({ value }) => value),
    phones: values('phone').map(({ value, phone_kind, extension }) => ({
      value,
      kind: (phone_kind ?? 'work') as 'work',
      extension,
    })),
    websites: values('website').map(({ value }) => value),
    street: row.street,
    postalCode: row.postal_code,
    locality: row.locality,
    region: '',
    country: row.country,
    more: [],
  };
  return featuresOf(
    fields,
    undefined,
    values('phone').map(({ key }) => key),
  );
}
