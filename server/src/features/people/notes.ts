import type { Action, NoteFields, NoteKind } from '@dossier/contract';
import { may } from '@dossier/core/account';
import { IsNull, type DataSource, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import { notFound, ProblemError } from '../../platform/problem';
import type { SignedIn, Visitor } from '../../platform/session';
import { insertOnce } from '../../platform/insertOnce';
import { inWorkspace } from '../../platform/workspaceScope';
import { log } from './changeLog';
import { Note, Person } from './entities';

const ACTIONS: Record<NoteKind, Action> = { note: 'noted', call: 'called', visit: 'visited' };

/** Writes down what was said, or that somebody called or was there. @throws ProblemError 400 for a note without a word */
export function addNote(
  database: DataSource,
  who: SignedIn,
  personId: string,
  { id = uuidv7(), ...note }: NoteFields,
): Promise<string> {
  if (note.kind === 'note' && !note.text)
    throw new ProblemError(400, 'empty-note', 'Nothing written', 'Write what there is to note.');
  return inWorkspace(database, who.workspaceId, async (manager) => {
    if (!(await manager.existsBy(Person, { id: personId, deletedAt: IsNull() }))) throw notFound('This person');
    const at = new Date();
    const { workspaceId, accountId: authorId } = who;
    const isNew = await insertOnce(manager, Note, { ...note, id, workspaceId, personId, authorId, at, changedAt: null }); // prettier-ignore
    if (!isNew) return id;
    await log(manager, who, { personId, action: ACTIONS[note.kind], at });
    return id;
  });
}

/** @throws ProblemError 404, or 403 for the note of a colleague */
export function changeNote(database: DataSource, who: Visitor, id: string, text: string): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const note = await ownNote(manager, who, id);
    if (note.text === text) return;
    if (!text && note.kind === 'note')
      throw new ProblemError(400, 'empty-note', 'Nothing written', 'Write something, or remove the note.');
    const at = new Date();
    await manager.update(Note, { id }, { text, changedAt: at });
    const changes = [{ field: 'note', before: note.text, after: text }];
    await log(manager, who, { personId: note.personId, action: 'noteChanged', at, changes });
  });
}

/** What it said stays in the history. @throws ProblemError 404, or 403 for the note of a colleague */
export function removeNote(database: DataSource, who: Visitor, id: string): Promise<void> {
  return inWorkspace(database, who.workspaceId, async (manager) => {
    const note = await ownNote(manager, who, id);
    await manager.delete(Note, { id });
    const changes = [{ field: 'note', before: note.text, after: '' }];
    await log(manager, who, { personId: note.personId, action: 'noteRemoved', at: new Date(), changes });
  });
}

async function ownNote(manager: EntityManager, who: Visitor, id: string): Promise<Note> {
  const note = await manager.findOne(Note, { where: { id }, lock: { mode: 'pessimistic_write' } });
  if (!note) throw notFound('This note');
  if (note.authorId !== who.accountId && !may(who.role, 'settle'))
    throw new ProblemError(
      403,
      'not-your-note',
      'Not yours to change',
      'Only whoever wrote a note changes it, or a manager.',
    );
  return note;
}
