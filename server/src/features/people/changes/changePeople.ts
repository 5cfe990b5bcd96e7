import type {
  ChangePreview,
  ChosenPeople,
  LeftWhy,
  PeopleChange,
  PeopleChangeRequest,
  PeopleChangeState,
} from '@dossier/contract';
import { may } from '@dossier/core/account';
import type { DataSource, EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { conflict, notFound, ProblemError } from '../../../platform/problem';
import { addJob } from '../../../platform/queue';
import type { Visitor } from '../../../platform/session';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { ownerIn } from '../../capture';
import { listOfAddress } from '../list/listOfAddress';
import { listSpecOf } from '../list/listSpec';
import { namesOf } from '../list/queries';
import { changeOne } from './changeOne';
import { changeSome, statesOf, undoSome } from './changeSome';
import { isOwnChange, stateOf } from './changeState';
import { PeopleChangeRecord } from './entities';
import { chooseIds, countByState, everybodyListed, nameOfPlan } from './queries';

/** Up to so many are changed at once, more by a job. */
const WITHOUT_JOB = 200;
/** A preview goes through so many at a time, and names so many of those who cannot be changed. */
const SEEN_AT_ONCE = 2000;
const NAMED = 5;

/** Says what a change of many would do, and changes nothing. @throws ProblemError as `changePeople` */
export function previewChange(
  database: DataSource,
  who: Visitor,
  request: PeopleChangeRequest,
): Promise<ChangePreview> {
  return inSnapshot(database, who.workspaceId, async (manager) => {
    await assertMay(manager, who, request.what);
    const ids = await chosenIds(manager, request.who);
    const preview: ChangePreview = { total: 0, changed: 0, same: 0, left: [] };
    const at = new Date();
    const left = new Map<LeftWhy, { people: number; names: string[] }>();
    for (let i = 0; i < ids.length; i += SEEN_AT_ONCE) {
      const some = ids.slice(i, i + SEEN_AT_ONCE);
      const { states, fullNames, names } = await statesOf(manager, who, some, request.what, false);
      preview.total += states.size;
      for (const [id, state] of states) {
        const outcome = changeOne(state, request.what, at, names, '');
        if (outcome.kind !== 'left') preview[outcome.kind]++;
        else {
          const alike = left.get(outcome.why) ?? { people: 0, names: [] };
          alike.people++;
          if (alike.names.length < NAMED) alike.names.push(fullNames.get(id)!);
          left.set(outcome.why, alike);
        }
      }
    }
    preview.left = [...left].map(([why, rest]) => ({ why, ...rest }));
    return preview;
  });
}

/**
 * Changes many people: a few at once, many by a job.
 * @throws ProblemError 400 when nobody is meant, 403 where the role does not include it, 404 for an owner or occasion that is not here
 */
export function changePeople(
  database: DataSource,
  who: Visitor,
  request: PeopleChangeRequest,
): Promise<PeopleChangeState> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    await assertMay(manager, who, request.what);
    const ids = await chosenIds(manager, request.who);
    const change = await manager.save(PeopleChangeRecord, {
      id: uuidv7(),
      workspaceId: who.workspaceId,
      madeBy: who.accountId,
      at: new Date(),
      what: request.what,
      state: 'waiting' as const,
    });
    const people = await chooseIds(manager, who.workspaceId, change.id, ids);
    if (people === 0)
      throw new ProblemError(400, 'nobody-meant', 'Nobody is meant', 'Choose somebody, or widen the list.');
    if (people <= WITHOUT_JOB) {
      await changeSome(manager, who, change);
      await manager.update(PeopleChangeRecord, { id: change.id }, { state: 'done' });
    } else await queue(manager, change);
    return stateOf(manager, who, change.id);
  });
}

/** Takes a change of many back, also one that was stopped. @throws ProblemError 404, or 409 while it is under way */
export function undoPeopleChange(database: DataSource, who: Visitor, id: string): Promise<PeopleChangeState> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const change = await locked(manager, who.workspaceId, id);
    if (!isOwnChange(who, change)) throw notFound('This change');
    if (change.state === 'waiting' || change.state === 'running')
      throw conflict('under-way', 'This change is still under way. Stop it first.');
    if (change.state === 'undoing' || change.state === 'undone') return stateOf(manager, who, id);
    const counts = await countByState(manager, who.workspaceId, [id]);
    const { changed = 0 } = counts.get(id)!;
    await manager.update(PeopleChangeRecord, { id }, { state: 'undoing' });
    if (changed <= WITHOUT_JOB) {
      await undoSome(manager, who, change);
      await manager.update(PeopleChangeRecord, { id }, { state: 'undone' });
    } else await queue(manager, change);
    return stateOf(manager, who, id);
  });
}

/** Whoever was not reached yet stays as they are. */
export function stopPeopleChange(database: DataSource, who: Visitor, id: string): Promise<PeopleChangeState> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const change = await locked(manager, who.workspaceId, id);
    if (!isOwnChange(who, change)) throw notFound('This change');
    if (change.state === 'waiting' || change.state === 'running')
      await manager.update(PeopleChangeRecord, { id }, { state: 'stopped' });
    return stateOf(manager, who, id);
  });
}

/** The next some of a change that is under way, in a transaction of their own. @returns whether there may be more */
export function goOn(database: DataSource, workspaceId: string, id: string): Promise<boolean> {
  return inWorkspace(database, workspaceId, async (manager) => {
    const change = await locked(manager, workspaceId, id);
    const who = { workspaceId, accountId: change.madeBy };
    if (change.state === 'waiting') await manager.update(PeopleChangeRecord, { id }, { state: 'running' });
    if (change.state === 'waiting' || change.state === 'running') {
      if (await changeSome(manager, who, change)) return true;
      await manager.update(PeopleChangeRecord, { id }, { state: 'done' });
    }
    if (change.state === 'undoing') {
      if (await undoSome(manager, who, change)) return true;
      await manager.update(PeopleChangeRecord, { id }, { state: 'undone' });
    }
    return false;
  });
}

const queue = (manager: EntityManager, { id, workspaceId }: PeopleChangeRecord): Promise<void> =>
  addJob(manager, 'changePeople', { workspaceId, changeId: id }, { key: `change:${id}`, maxAttempts: 10 });

async function locked(manager: EntityManager, workspaceId: string, id: string): Promise<PeopleChangeRecord> {
  const change = await manager.findOne(PeopleChangeRecord, {
    where: { id, workspaceId },
    lock: { mode: 'pessimistic_write' },
  });
  if (!change) throw notFound('This change');
  return change;
}

async function assertMay(
  manager: EntityManager,
  who: Visitor,
  { deleted, ownerId, occasionId, planId }: PeopleChange,
): Promise<void> {
  const refused = [deleted && !may(who.role, 'delete') && 'deleting', planId && !may(who.role, 'write') && 'writing to people'].find(Boolean); // prettier-ignore
  if (refused)
    throw new ProblemError(403, 'not-for-your-role', 'Not yours to do', `Your role in this team does not include ${refused}.`); // prettier-ignore
  if (ownerId && !(await ownerIn(manager, who.workspaceId, ownerId))) throw notFound('This colleague');
  if (occasionId && (await namesOf(manager, who.workspaceId, 'occasion', [occasionId])).length === 0)
    throw notFound('This occasion');
  const plan = planId && (await nameOfPlan(manager, who.workspaceId, planId));
  if (planId && !plan) throw notFound('This plan');
  if (plan && !plan.isOn) throw conflict('plan-off', `The plan “${plan.name}” is switched off. Switch it on first.`);
}

async function chosenIds(manager: EntityManager, chosen: ChosenPeople): Promise<string[]> {
  if ('ids' in chosen) return [...new Set(chosen.ids)].sort();
  const { spec } = await listSpecOf(manager, listOfAddress(chosen.list));
  const except = new Set(chosen.except);
  return (await everybodyListed(manager, spec)).filter((id) => !except.has(id));
}
