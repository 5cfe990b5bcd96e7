import type { PersonEdit } from '@dossier/contract';
import { leadAfter, told, type ChangeableRecord } from '@dossier/core/people/changes';
import type { DataSource, EntityManager } from 'typeorm';
import { notFound } from '../../platform/problem';
import type { SignedIn } from '../../platform/session';
import { inWorkspace } from '../../platform/workspaceScope';
import { Account } from '../account';
import { ownerIn } from '../capture';
import { log } from './changeLog';
import { Person } from './entities';
import type { LoadedFields } from './loadFields';
import { lockPerson } from './lockPerson';
import { changePerson } from './savePerson';
import { distinctTags } from './tags';

/** Changes a person by hand. @throws ProblemError 404, or 409 when it changed since the version named */
export function editPerson(database: DataSource, who: SignedIn, id: string, edit: PersonEdit): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    await editLocked(manager, who, await lockPerson(manager, id, edit.version), edit);
  });
}

/** As `editPerson`, for somebody who is locked. */
export async function editLocked(
  manager: EntityManager,
  who: SignedIn,
  { person, fields }: LoadedFields,
  edit: Omit<PersonEdit, 'version'> & Partial<Pick<ChangeableRecord, 'status' | 'closed' | 'qualifiedAt'>>,
): Promise<void> {
  const at = new Date();
  const tags = distinctTags(edit.tags);
  const ownerId = edit.ownerId ?? person.ownerId;
  if (ownerId !== person.ownerId && !(await ownerIn(manager, who.workspaceId, ownerId)))
    throw notFound('This colleague');
  const { kind, rating } = edit;
  const { leadStatus, qualifiedAt } = person;
  const before = { kind: person.kind, ownerId: person.ownerId, rating: person.rating, status: leadStatus, closed: person.closed, qualifiedAt: qualifiedAt?.toISOString() ?? null, tags: person.tags, fields }; // prettier-ignore
  const as = leadAfter(before, kind, edit.closed === undefined ? before.closed : edit.closed, at.toISOString());
  const lead = { closed: as.closed, qualifiedAt: edit.qualifiedAt === undefined ? as.qualifiedAt : edit.qualifiedAt };
  const after = { ...before, ...lead, kind, ownerId, rating, status: edit.status === undefined ? leadStatus : edit.status, tags, fields: edit.fields }; // prettier-ignore
  await changePerson(manager, person, edit.fields, { at, kind, tags, rating, ownerId, leadStatus: after.status, closed: after.closed, qualifiedAt: after.qualifiedAt === null ? null : new Date(after.qualifiedAt) }); // prettier-ignore
  const names = new Map([[person.ownerId, await nameOf(manager, person.ownerId)], [ownerId, await nameOf(manager, ownerId)]]); // prettier-ignore
  await log(manager, who, {
    personId: person.id,
    action: 'edited',
    at,
    changes: told(before, after, (id) => names.get(id) ?? ''),
  });
}

const nameOf = async (manager: EntityManager, accountId: string): Promise<string> =>
  (await manager.findOneBy(Account, { id: accountId }))?.name ?? '';

/** Takes a person out of every list; it can be brought back. Done twice it is done once. */
export function deletePerson(database: DataSource, who: SignedIn, id: string): Promise<void> {
  return setDeleted(database, who, id, true);
}

export function restorePerson(database: DataSource, who: SignedIn, id: string): Promise<void> {
  return setDeleted(database, who, id, false);
}

const setDeleted = (database: DataSource, who: SignedIn, id: string, deleted: boolean): Promise<void> =>
  inWorkspace(database, who.workspaceId, (manager) => setDeletedIn(manager, who, id, deleted));

/** As `deletePerson`, within a transaction. */
export const deletePersonIn = (manager: EntityManager, who: SignedIn, id: string): Promise<void> =>
  setDeletedIn(manager, who, id, true);

async function setDeletedIn(manager: EntityManager, who: SignedIn, id: string, deleted: boolean): Promise<void> {
  const person = await manager.findOne(Person, { where: { id }, lock: { mode: 'for_no_key_update' } });
  if (!person) throw notFound('This person');
  if (Boolean(person.deletedAt) === deleted) return;
  const at = new Date();
  await manager.update(Person, { id }, { deletedAt: deleted ? at : null, version: person.version + 1, updatedAt: at });
  await log(manager, who, { personId: id, action: deleted ? 'deleted' : 'restored', at });
}
