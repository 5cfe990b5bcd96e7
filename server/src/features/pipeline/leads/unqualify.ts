import { IsNull, type DataSource, type EntityManager } from 'typeorm';
import { conflict, notFound } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inWorkspace } from '../../../platform/workspaceScope';
import { Task } from '../../followup';
import { changePerson, deleteEmptyCompanies, loadFields, log, Person, undoMergeIn } from '../../people';
import { OpportunityRecord, QualificationRecord } from '../entities';
import { removeIn } from '../opportunities/save';
import { isWorkedOn } from '../queries';

/**
 * Takes a qualification back: the contact is the lead again, what came with it is gone. Done twice it is done once.
 * @throws ProblemError 404, 409 that says what was done since and stands against it
 */
export const unqualify = (database: DataSource, who: SignedIn, id: string): Promise<void> =>
  inWorkspace(database, who.workspaceId, async (manager) => {
    const { workspaceId } = who;
    const record = await manager.findOne(QualificationRecord, { where: { id, workspaceId }, lock: { mode: 'pessimistic_write' } }); // prettier-ignore
    if (!record) throw notFound('This');
    if (record.undoneAt) return;
    const { undo } = record;
    await assertUntouched(manager, who, undo.opportunityId, undo.taskId);
    if (undo.taskId) await manager.delete(Task, { id: undo.taskId, workspaceId });
    if (undo.opportunityId) await removeIn(manager, who, undo.opportunityId);
    if (undo.mergeId) {
      await undoMergeIn(manager, who, undo.mergeId);
      await manager.update(Person, { id: record.personId }, { qualifiedAt: undo.qualifiedBefore ? new Date(undo.qualifiedBefore) : null }); // prettier-ignore
    } else await leadAgain(manager, record);
    const at = new Date();
    await manager.update(QualificationRecord, { id }, { undoneAt: at });
    await log(manager, who, { personId: undo.lead.id, action: 'unqualified', at, changes: [{ field: 'kind', before: 'contact', after: 'lead' }] }); // prettier-ignore
  });

async function assertUntouched(
  manager: EntityManager,
  { workspaceId }: SignedIn,
  opportunityId: string | null,
  taskId: string | null,
): Promise<void> {
  const opportunity = opportunityId && (await manager.findOneBy(OpportunityRecord, { id: opportunityId, workspaceId }));
  if (opportunity && (await isWorkedOn(manager, workspaceId, opportunity.id)))
    throw conflict('worked-on', `“${opportunity.title}” has been worked on since. Remove it first, or leave the lead qualified.`); // prettier-ignore
  const others = opportunity ? await manager.findBy(Task, { opportunityId: opportunity.id, workspaceId }) : [];
  const task = taskId && (await manager.findOneBy(Task, { id: taskId, workspaceId }));
  const other = others.find(({ id }) => id !== taskId) ?? (task && (task.doneAt || task.version > 1) ? task : undefined); // prettier-ignore
  if (other) throw conflict('worked-on', `The task “${other.text}” has been worked on since. Leave the lead qualified, or remove the task first.`); // prettier-ignore
}

async function leadAgain(manager: EntityManager, { personId, undo }: QualificationRecord): Promise<void> {
  const person = await manager.findOne(Person, { where: { id: personId, deletedAt: IsNull() }, lock: { mode: 'for_no_key_update' } }); // prettier-ignore
  const loaded = person && (await loadFields(manager, [personId])).get(personId);
  if (!loaded) throw notFound('This person');
  if (person.kind !== 'contact') throw conflict('changed-since', `${person.fullName} is a lead again already.`);
  const { company } = loaded.fields;
  // A firm that was set with it goes back; one that was set later stays.
  const back = company === undo.companyAfter ? undo.lead.company : company;
  await changePerson(manager, person, { ...loaded.fields, company: back }, {
    at: new Date(),
    kind: 'lead',
    closed: undo.lead.closed,
    leadStatus: undo.lead.leadStatus,
    qualifiedAt: null,
  }); // prettier-ignore
  if (loaded.companyId && back !== company) await deleteEmptyCompanies(manager, person.workspaceId, [loaded.companyId]);
}
