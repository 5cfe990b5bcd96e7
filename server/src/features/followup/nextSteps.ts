import type { NextStepFields } from '@dossier/contract';
import { IsNull, type DataSource } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';
import { log, Person } from '../people';
import { Task } from './entities';

/** Something to do about a person. @returns its id */
export function planStep(database: DataSource, who: SignedIn, personId: string, step: NextStepFields): Promise<string> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    if (!(await manager.existsBy(Person, { id: personId, deletedAt: IsNull() }))) throw notFound('This person');
    const [id, at] = [uuidv7(), new Date()];
    const { workspaceId, accountId: madeBy } = who;
    await manager.insert(Task, { ...step, id, workspaceId, personId, madeBy, madeAt: at, doneAt: null });
    const changes = [{ field: 'step', before: '', after: step.text }];
    await log(manager, who, { personId, action: 'stepPlanned', at, changes });
    return id;
  });
}

/** It is done, or dropped; done twice it is done once. */
export function endStep(database: DataSource, who: SignedIn, id: string, end: 'done' | 'dropped'): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const task = await manager.findOne(Task, { where: { id }, lock: { mode: 'pessimistic_write' } });
    if (!task) throw notFound('This step');
    if (task.doneAt) return;
    const at = new Date();
    if (end === 'done') await manager.update(Task, { id }, { doneAt: at });
    else await manager.delete(Task, { id });
    const changes = [{ field: 'step', before: task.text, after: '' }];
    const action = end === 'done' ? 'stepDone' : 'stepDropped';
    await log(manager, who, { personId: task.personId, action, at, changes });
  });
}
