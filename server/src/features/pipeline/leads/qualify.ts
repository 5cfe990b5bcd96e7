import type { Qualified, Qualify } from '@dossier/contract';
import type { DataSource, EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { conflict, notFound } from '../../../platform/problem';
import type { SignedIn } from '../../../platform/session';
import { inWorkspace } from '../../../platform/workspaceScope';
import { addTaskIn } from '../../followup';
import { changePerson, Company, companyNamed, currentOf, loadFields, lockPerson, log, mergeLocked, Person } from '../../people'; // prettier-ignore
import { QualificationRecord, type QualificationUndo } from '../entities';
import { makeIn } from '../opportunities/save';
import { lastOccasion } from '../queries';
import { haveStages } from '../settings/stages';

/**
 * A lead becomes a contact, or is brought together with the contact who it is; the firm, the piece of business and the next task come
 * with it. All in one transaction, with what is needed to take it back.
 * @throws ProblemError 404, 409 where one of them changed since the version named, or is no lead
 */
export async function qualify(
  database: DataSource,
  who: SignedIn,
  leadId: string,
  request: Qualify,
): Promise<Qualified> {
  await haveStages(database, who.workspaceId);
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const { person: lead, fields } = await lockPerson(manager, leadId, request.version);
    if (lead.kind !== 'lead') throw conflict('no-lead', `${lead.fullName} is a contact already.`);
    const at = new Date();
    const company = await firmOf(manager, who, request.company);
    const contact = request.known
      ? await intoKnown(manager, who, lead, request.known, at)
      : await intoContact(manager, who, lead, company ? { ...fields, company: company.name } : fields, at);
    const { person, companyId, fields: after } = (await loadFields(manager, [contact.personId])).get(contact.personId)!;
    const about = company?.id ?? companyId;
    const occasionId = request.opportunity?.occasionId ?? (await lastOccasion(manager, who.workspaceId, person.id));
    const opportunityId = request.opportunity ? await opportunityOf(manager, who, { ...request.opportunity, occasionId }, person.id, about) : null; // prettier-ignore
    const taskId = request.task
      ? await addTaskIn(manager, who, {
          ...request.task, personId: person.id, companyId: null, opportunityId, dueTime: null, repeat: null, ownerId: null,
        }) // prettier-ignore
      : null;
    const undo: QualificationUndo = {
      lead: { id: lead.id, leadStatus: lead.leadStatus, closed: lead.closed, company: fields.company },
      afterVersion: person.version,
      companyAfter: after.company,
      mergeId: contact.mergeId,
      qualifiedBefore: contact.qualifiedBefore,
      opportunityId,
      taskId,
    };
    const id = uuidv7();
    await manager.insert(QualificationRecord, {
      id,
      workspaceId: who.workspaceId,
      personId: person.id,
      at,
      actorId: who.accountId,
      undo,
      undoneAt: null,
    });
    const changes = [{ field: 'kind', before: 'lead', after: 'contact' }, { field: 'company', before: fields.company, after: after.company }]; // prettier-ignore
    await log(manager, who, { personId: person.id, action: 'qualified', at, changes: changes.filter(({ before, after: now }) => before !== now) }); // prettier-ignore
    return { id, personId: person.id, opportunityId };
  });
}

/** The firm that is meant, as it is now; made where there is none of that name. @throws ProblemError 404 */
async function firmOf(
  manager: EntityManager,
  { workspaceId }: SignedIn,
  company: Qualify['company'],
): Promise<{ id: string; name: string } | null> {
  if (!company) return null;
  const id = 'id' in company ? company.id : (await companyNamed(manager, workspaceId, company.name))!;
  const found = await manager.findOneBy(Company, { id, workspaceId });
  if (!found) throw notFound('This firm');
  return currentOf(manager, found);
}

interface Contact {
  personId: string;
  mergeId: string | null;
  qualifiedBefore: string | null;
}

async function intoContact(
  manager: EntityManager,
  who: SignedIn,
  lead: Person,
  fields: Parameters<typeof changePerson>[2],
  at: Date,
): Promise<Contact> {
  await changePerson(manager, lead, fields, { at, kind: 'contact' });
  return { personId: lead.id, mergeId: null, qualifiedBefore: null };
}

async function intoKnown(
  manager: EntityManager,
  who: SignedIn,
  lead: Person,
  known: NonNullable<Qualify['known']>,
  at: Date,
): Promise<Contact> {
  const contact = await manager.findOneBy(Person, { id: known.personId, workspaceId: who.workspaceId });
  if (!contact || contact.deletedAt) throw notFound('This contact');
  if (contact.kind !== 'contact') throw conflict('no-contact', `${contact.fullName} is a lead too. Choose a contact, or make one of this lead.`); // prettier-ignore
  const { mergeId, personId } = await mergeLocked(manager, who, {
    into: { id: known.personId, version: known.version },
    others: [{ id: lead.id, version: lead.version }],
    fields: null,
  });
  // Whoever was a contact before counts as one who came of a lead from now on.
  if (!contact.qualifiedAt) await manager.update(Person, { id: personId }, { qualifiedAt: at });
  return { personId, mergeId, qualifiedBefore: contact.qualifiedAt?.toISOString() ?? null };
}

function opportunityOf(
  manager: EntityManager,
  who: SignedIn,
  { part, ...fields }: NonNullable<Qualify['opportunity']>,
  personId: string,
  companyId: string | null,
): Promise<string> {
  return makeIn(manager, who, { ...fields, companyId, people: [{ personId, part: part ?? 'decides' }] });
}
