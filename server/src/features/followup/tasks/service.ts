import type { NewTask, Task as TaskView, TaskEdit, TaskPage, TaskQuery } from '@dossier/contract';
import { nextDay } from '@dossier/core/followup/tasks';
import { IsNull, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { decodeKeyset, encodeKeyset } from '../../../platform/keyset';
import { conflict, notFound, ProblemError } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { insertOnce } from '../../../platform/insertOnce';
import { inSnapshot, inWorkspace } from '../../../platform/workspaceScope';
import { ownerIn } from '../../capture';
import { Company, log, Person } from '../../people';
import { MessageRecord } from '../messages/entities';
import { Task } from './entities';
import { isOpportunity, taskRow, taskRows, type TaskRow } from './queries';

export const viewOf = (row: TaskRow): TaskView => ({
  id: row.id,
  kind: row.kind,
  text: row.text,
  dueOn: row.due_on,
  dueTime: row.due_time,
  repeat: row.repeat,
  owner: { id: row.owner_id, name: row.owner_name },
  person: row.person_id
    ? { id: row.person_id, fullName: row.full_name ?? '', company: row.person_company ?? '' }
    : null,
  company: row.company_id ? { id: row.company_id, name: row.company_name ?? '' } : null,
  opportunity: row.opportunity_id ? { id: row.opportunity_id, title: row.opportunity ?? '' } : null,
  plan: row.plan,
  doneAt: row.done_at?.toISOString() ?? null,
  version: row.version,
});

const Place = z.union([z.tuple([z.string(), z.string(), z.uuid()]), z.tuple([z.string(), z.uuid()])]);

/** A page of tasks, open ones by their day. */
export const listTasks = (
  database: DataSource,
  { workspaceId, accountId }: SignedIn,
  query: TaskQuery,
): Promise<TaskPage> =>
  inSnapshot(database, workspaceId, async (manager) => {
    const rows = await taskRows(manager, workspaceId, {
      ownerId: query.whose === 'mine' ? accountId : null,
      personId: query.personId ?? null,
      companyId: query.companyId ?? null,
      opportunityId: query.opportunityId ?? null,
      done: query.state === 'done',
      after: query.cursor ? decodeKeyset(query.cursor, Place) : null,
      limit: query.limit + 1,
    });
    const last = rows.length > query.limit ? rows[query.limit - 1] : undefined;
    const place =
      last &&
      (last.done_at
        ? [last.done_at.toISOString(), last.id]
        : [last.due_on ?? 'infinity', last.due_time ?? '99:99', last.id]);
    return { items: rows.slice(0, query.limit).map(viewOf), next: place ? encodeKeyset(place) : null };
  });

/** What there is to do about one thing. */
export const tasksAbout = async (
  manager: EntityManager,
  workspaceId: string,
  about: { opportunityId: string },
): Promise<TaskView[]> => {
  const filter = { ownerId: null, personId: null, companyId: null, done: false, after: null, limit: 100 };
  return (await taskRows(manager, workspaceId, { ...filter, ...about })).map(viewOf);
};

/** Something to do, about a person, a firm, a piece of business, or nothing of these. The same id twice is one task. @returns its id @throws ProblemError 404 */
export const addTask = (database: DataSource, who: SignedIn, task: NewTask): Promise<string> =>
  inWorkspace(database, who.workspaceId, (manager) => addTaskIn(manager, who, task));

/** As `addTask`, within a transaction. */
export async function addTaskIn(manager: EntityManager, who: SignedIn, task: NewTask): Promise<string> {
  const { workspaceId, accountId } = who;
  const { text, dueOn, dueTime, repeat, personId, companyId, opportunityId } = task;
  const id = task.id ?? uuidv7();
  if (personId && !(await manager.existsBy(Person, { id: personId, deletedAt: IsNull() })))
    throw notFound('This person');
  if (companyId && !(await manager.existsBy(Company, { id: companyId, mergedInto: IsNull() })))
    throw notFound('This firm');
  if (opportunityId && !(await isOpportunity(manager, workspaceId, opportunityId))) throw notFound('This opportunity');
  const ownerId = (await ownerIn(manager, workspaceId, task.ownerId)) ?? accountId;
  const at = new Date();
  const row = { id, workspaceId, personId, companyId, opportunityId, kind: 'task', text, dueOn, dueTime, repeat, ownerId, madeBy: accountId, madeAt: at, doneAt: null, changedAt: at }; // prettier-ignore
  const isNew = await insertOnce(manager, Task, row);
  if (isNew && personId) await told(manager, who, personId, 'stepPlanned', '', text, at);
  return id;
}

const told = (
  manager: EntityManager,
  who: SignedIn,
  personId: string,
  action: 'stepPlanned' | 'stepDone' | 'stepDropped',
  before: string,
  after: string,
  at: Date,
) => log(manager, who, { personId, action, at, changes: [{ field: 'step', before, after }] });

async function locked(manager: EntityManager, workspaceId: string, id: string): Promise<Task> {
  const task = await manager.findOne(Task, { where: { id, workspaceId }, lock: { mode: 'pessimistic_write' } });
  if (!task) throw notFound('This task');
  return task;
}

/** Puts off, gives to a colleague, or words anew. @throws ProblemError 404, 409 where it changed since the version named, 400 for a time without a day */
export function changeTask(
  database: DataSource,
  who: SignedIn,
  id: string,
  { version, ownerId, ...edit }: TaskEdit,
): Promise<TaskView> {
  const { workspaceId } = who;
  return inWorkspace(database, workspaceId, async (manager) => {
    const task = await locked(manager, workspaceId, id);
    if (version !== undefined && version !== task.version)
      throw conflict('task-changed', 'Somebody has changed this task since. Look at it again.');
    const next = { ...task, ...edit };
    if ((next.dueTime || next.repeat) && !next.dueOn)
      throw new ProblemError(400, 'invalid-request', 'A day is missing', 'A time, or what repeats, needs a day.', [
        { path: 'dueOn', message: 'Write the day.' },
      ]);
    const owner = ownerId ? await ownerIn(manager, workspaceId, ownerId) : task.ownerId;
    if (!owner) throw notFound('This colleague');
    const { text, dueOn, dueTime, repeat } = next;
    await manager.update(
      Task,
      { id },
      { text, dueOn, dueTime, repeat, ownerId: owner, version: task.version + 1, changedAt: new Date() },
    );
    return viewOf((await taskRow(manager, workspaceId, id))!);
  });
}

/** It is done, or dropped; done twice it is done once. What repeats is there again for its next day. @param today where whoever does it is */
export function endTask(
  database: DataSource,
  who: SignedIn,
  id: string,
  end: 'done' | 'dropped',
  today?: string,
): Promise<void> {
  const { workspaceId, accountId } = who;
  return inWorkspace(database, workspaceId, async (manager) => {
    const task = await locked(manager, workspaceId, id);
    if (task.doneAt) return;
    const at = new Date();
    if (end === 'done')
      await manager.update(Task, { id }, { doneAt: at, doneBy: accountId, version: task.version + 1, changedAt: at });
    else await manager.delete(Task, { id });
    if (end === 'done' && task.repeat && task.dueOn) {
      const dueOn = nextDay(task.repeat, task.dueOn, today ?? at.toISOString().slice(0, 10));
      await manager.insert(Task, {
        ...task,
        id: uuidv7(),
        dueOn,
        madeAt: at,
        changedAt: at,
        doneAt: null,
        doneBy: null,
        version: 1,
      });
    }
    if (end === 'done') await letterIs(manager, task, 'waiting', 'sent', at);
    if (task.personId)
      await told(manager, who, task.personId, end === 'done' ? 'stepDone' : 'stepDropped', task.text, '', at);
  });
}

/** What was done by mistake is open again. @throws ProblemError 404 */
export function reopenTask(database: DataSource, who: SignedIn, id: string): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const task = await locked(manager, who.workspaceId, id);
    if (!task.doneAt) return;
    await manager.update(
      Task,
      { id },
      { doneAt: null, doneBy: null, version: task.version + 1, changedAt: new Date() },
    );
    await letterIs(manager, task, 'sent', 'waiting', new Date());
    if (task.personId) await told(manager, who, task.personId, 'stepPlanned', '', task.text, new Date());
  });
}

/** A letter is posted when the task that says so is done. */
async function letterIs(
  manager: EntityManager,
  { messageId }: Task,
  from: 'waiting' | 'sent',
  to: 'waiting' | 'sent',
  at: Date,
): Promise<void> {
  if (messageId)
    await manager.update(MessageRecord, { id: messageId, channel: 'post', state: from }, { state: to, at });
}
