import type { Plan, PlanFields, PlanList } from '@dossier/contract';
import { In, IsNull, Not, type DataSource, type EntityManager } from 'typeorm';
import { conflict, notFound, ProblemError } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { TemplateRecord } from '../templates/entities';
import { EnrolmentRecord, PlanRecord, PlanVersion } from './entities';
import { forgetPlanOfOccasions, isDestination, planCounts } from './queries';

const MOST = 100;

export const listPlans = (database: DataSource, { workspaceId }: SignedIn): Promise<PlanList> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const records = await manager.find(PlanRecord, {
      where: { workspaceId, removedAt: IsNull() },
      order: { name: 'ASC', id: 'ASC' },
    });
    const counts = new Map((await planCounts(manager, workspaceId)).map((row) => [row.plan_id, row]));
    const items: Plan[] = [];
    for (const { id, version, name, startTag, isOn } of records) {
      const { steps, stopsAt } = await manager.findOneByOrFail(PlanVersion, { planId: id, version });
      const { people = 0, on_older: onOlder = 0, occasions = [] } = counts.get(id) ?? {};
      items.push({ id, version, name, startTag, isOn, steps, stopsAt, people, onOlder, occasions });
    }
    return { items };
  });

/** @throws ProblemError 404 */
export async function planNow(
  manager: EntityManager,
  workspaceId: string,
  id: string,
): Promise<PlanVersion & { name: string; isOn: boolean }> {
  const record = await manager.findOneBy(PlanRecord, { id, workspaceId, removedAt: IsNull() });
  if (!record) throw notFound('This plan');
  return {
    ...(await manager.findOneByOrFail(PlanVersion, { planId: id, version: record.version })),
    name: record.name,
    isOn: record.isOn,
  };
}

/**
 * Makes a plan under the id its device gave it, or its next version where its steps are others: whoever is in it stays on theirs.
 * @returns its version @throws ProblemError 409, 422
 */
export function savePlan(
  database: DataSource,
  who: SignedIn,
  id: string,
  seen: number,
  fields: PlanFields,
): Promise<number> {
  const { name, startTag, isOn, steps, stopsAt } = fields;
  const { workspaceId } = who;
  return inWorkspace(database, workspaceId, async (manager) => {
    await assertThere(manager, workspaceId, fields);
    const record = await manager.findOne(PlanRecord, { where: { id }, lock: { mode: 'pessimistic_write' } });
    const version = record ? record.version + 1 : 1;
    const made = { planId: id, version, workspaceId, steps, stopsAt, by: who.accountId, at: new Date() };
    if (!record) {
      if ((await manager.countBy(PlanRecord, { workspaceId, removedAt: IsNull() })) >= MOST)
        throw new ProblemError(409, 'too-many', 'Too many', `At most ${MOST} plans are possible. Remove one first.`);
      await manager.insert(PlanRecord, {
        id,
        workspaceId,
        name,
        version,
        isOn,
        startTag,
        tagFrom: startTag && isOn ? new Date() : null,
        removedAt: null,
      });
      await manager.insert(PlanVersion, made as object);
      return version;
    }
    if (record.version !== seen || record.removedAt)
      throw conflict('plan-changed', 'Somebody has changed this plan since. Open it again.');
    const before = await manager.findOneByOrFail(PlanVersion, { planId: id, version: record.version });
    const isSame = JSON.stringify([before.steps, before.stopsAt]) === JSON.stringify([steps, stopsAt]);
    if (!isSame) await manager.insert(PlanVersion, made as object);
    await manager.update(
      PlanRecord,
      { id },
      {
        name,
        isOn,
        startTag,
        // Who got the tag while it was another one, or the plan was off, stays out.
        tagFrom:
          !startTag || !isOn ? null : record.startTag === startTag && record.tagFrom ? record.tagFrom : new Date(),
        version: isSame ? record.version : version,
      },
    );
    return isSame ? record.version : version;
  });
}

/** It is offered no more. @throws ProblemError 404, 409 while somebody is in it */
export const removePlan = (database: DataSource, { workspaceId }: SignedIn, id: string): Promise<void> =>
  inWorkspace(database, workspaceId, async (manager) => {
    const people = await manager.countBy(EnrolmentRecord, { planId: id, workspaceId, status: Not('ended') });
    if (people > 0)
      throw conflict(
        'plan-used',
        `${people === 1 ? 'Somebody is' : `${people} people are`} in this plan. Switch it off and stop it for them first.`,
      );
    const { affected } = await manager.update(
      PlanRecord,
      { id, workspaceId, removedAt: IsNull() },
      { removedAt: new Date(), isOn: false },
    );
    if (!affected) throw notFound('This plan');
    await forgetPlanOfOccasions(manager, workspaceId, id);
  });

/** Templates and systems that steps name are there. @throws ProblemError 422 */
async function assertThere(manager: EntityManager, workspaceId: string, { steps }: PlanFields): Promise<void> {
  for (const [place, { act }] of steps.entries()) {
    if (act.do === 'handOver' && !(await isDestination(manager, workspaceId, act.destinationId))) {
      const message = 'Choose where people are handed over to.';
      throw new ProblemError(422, 'no-such-system', 'A system is missing', message, [{ path: `steps.${place}`, message }]); // prettier-ignore
    }
    if (act.do !== 'message' && act.do !== 'letter') continue;
    const kind = act.do === 'letter' ? 'letter' : 'email';
    if (await manager.existsBy(TemplateRecord, { id: act.templateId, workspaceId, kind, removedAt: IsNull() }))
      continue;
    const message = `Choose a template for a${kind === 'letter' ? ' letter' : 'n e-mail'}.`;
    throw new ProblemError(422, 'no-such-template', 'A template is missing', message, [
      { path: `steps.${place}`, message },
    ]);
  }
}

export const templateNames = async (
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
): Promise<Map<string, string>> =>
  new Map(
    (ids.length > 0 ? await manager.findBy(TemplateRecord, { id: In([...ids]), workspaceId }) : []).map(
      ({ id, name }) => [id, name],
    ),
  );
