import { PersonEdit, type RowOutcome } from '@dossier/contract';
import {
  broughtBack,
  rowOf,
  settled,
  withIncoming,
  type CellConflict,
  type IncomingPerson,
  type IncomingRow,
  type RowDraft,
  type RowWords,
} from '@dossier/core/exchange/files';
import { changesBetween, emptyPersonFields } from '@dossier/core/people';
import { isNameless, type ChangeableRecord } from '@dossier/core/people/changes';
import { IsNull, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import type { SignedIn } from '../../../platform/session';
import { Account, Workspace } from '../../account';
import { findCandidates } from '../../matching';
import { distinctTags, editLocked, loadFields, log, Note, Person, personColumns, saveParts, type LoadedFields } from '../../people'; // prettier-ignore
import type { ImportFile, ImportRowRecord, RowCandidate } from './entities';

/** What rows are read by, the same for all of a file. */
export interface RowContext {
  who: SignedIn;
  file: ImportFile;
  words: RowWords;
  ownerIdOf: (name: string) => string | undefined;
  ownerNameOf: (id: string) => string;
}

export async function contextOf(manager: EntityManager, who: SignedIn, file: ImportFile): Promise<RowContext> {
  const workspace = await manager.findOneByOrFail(Workspace, { id: who.workspaceId });
  const accounts = await manager.find(Account, { where: { workspaceId: who.workspaceId } });
  const owners = accounts.filter(({ outOfUseAt }) => !outOfUseAt);
  return {
    who,
    file,
    words: { country: workspace.country, ratings: workspace.ratings, owners: owners.map(({ name }) => name) },
    ownerIdOf: (name) => owners.find((one) => one.name === name)?.id,
    ownerNameOf: (id) => accounts.find((one) => one.id === id)?.name ?? '',
  };
}

/** What becomes of a row. */
export type RowResult = Pick<
  ImportRowRecord,
  'outcome' | 'personId' | 'noteId' | 'faults' | 'conflicts' | 'candidates' | 'before' | 'after'
>;

const result = (outcome: RowOutcome, rest: Partial<RowResult> = {}): RowResult => ({
  outcome,
  personId: null,
  noteId: null,
  faults: [],
  conflicts: [],
  candidates: [],
  before: null,
  after: null,
  ...rest,
});

/** A row as it is read; a person of a file of vCards is one too. */
export function incomingRow(
  { file, words }: Pick<RowContext, 'file' | 'words'>,
  given: ImportRowRecord['given'],
): IncomingRow & { uid: string } {
  // prettier-ignore
  if (Array.isArray(given)) return { ...rowOf(given, file.mapping, file.head ?? [], words), uid: '' };
  const { fields, tags, note, kind, rating, uid }: IncomingPerson = given;
  const known = words.ratings.find((one) => one.toLowerCase() === rating?.toLowerCase());
  const draft: RowDraft = { fields, kind: kind ?? 'contact', rating: known ?? null, tags, owner: '' };
  return { draft, note, cells: new Map(), back: undefined, faults: [], uid };
}

const UID = /^urn:uuid:([\da-f]{8}(?:-[\da-f]{4}){3}-[\da-f]{12})$/i;

/** Goes through one row. @param touched told whose lists have to be made anew @param writes whether anything is written */
export async function goThrough(
  manager: EntityManager,
  context: RowContext,
  given: ImportRowRecord['given'],
  touched: string[],
  writes: boolean,
): Promise<RowResult> {
  const row = incomingRow(context, given);
  const known = row.back?.id ?? UID.exec(row.uid)?.[1];
  const loaded = known ? await lockedPerson(manager, context.who.workspaceId, known) : undefined;
  if (loaded) {
    const now = draftOf(context, loaded);
    const decided = row.back ? broughtBack(now, loaded.person.version, row, context.words) : { ...withIncoming(now, row.draft, context.file.rule), faults: row.faults }; // prettier-ignore
    return changeKnown(manager, context, loaded, decided, row.back ? '' : row.note, touched, writes);
  }
  const fault = complaintAbout(row.draft);
  if (fault) return result('refused', { faults: [...row.faults, fault] });
  const candidates = await findCandidates(manager, context.who.workspaceId, row.draft.fields);
  const [first] = candidates;
  if (first?.band === 'same') return intoKnown(manager, context, first.person.id, row, touched, writes);
  if (first) {
    const perhaps: RowCandidate[] = candidates
      .slice(0, 5)
      .map(({ person: { id }, likelihood }) => ({ id, likelihood }));
    return result('perhaps', { candidates: perhaps, faults: row.faults });
  }
  return createNew(manager, context, row, touched, writes);
}

/** A row that is a known person, by what the file's rule says. */
export async function intoKnown(
  manager: EntityManager,
  context: RowContext,
  personId: string,
  row: IncomingRow,
  touched: string[],
  writes: boolean,
): Promise<RowResult> {
  const loaded = await lockedPerson(manager, context.who.workspaceId, personId);
  if (!loaded) return result('refused', { faults: [{ key: '', fault: 'This person is not here any more.' }] });
  const decided = withIncoming(draftOf(context, loaded), row.draft, context.file.rule);
  return changeKnown(manager, context, loaded, { ...decided, faults: row.faults }, row.note, touched, writes);
}

export async function createNew(
  manager: EntityManager,
  { who, ownerIdOf }: RowContext,
  { draft, note, faults }: IncomingRow,
  touched: string[],
  writes: boolean,
): Promise<RowResult> {
  if (!writes) return result('created', { faults });
  const [personId, at] = [uuidv7(), new Date()];
  const after: ChangeableRecord = {
    kind: draft.kind,
    rating: draft.rating,
    tags: distinctTags(draft.tags),
    ownerId: ownerIdOf(draft.owner) ?? who.accountId,
    fields: draft.fields,
  };
  touched.push(personId);
  await manager.insert(Person, {
    id: personId,
    workspaceId: who.workspaceId,
    kind: after.kind,
    ownerId: after.ownerId,
    tags: [...after.tags],
    rating: after.rating,
    filedByItselfAt: null,
    ...personColumns(draft.fields),
    version: 1,
    createdAt: at,
    updatedAt: at,
  });
  await saveParts(manager, { workspaceId: who.workspaceId, personId, at }, draft.fields);
  const noteId = await addNote(manager, who, personId, note, at);
  await log(manager, who, { personId, action: 'filed', changes: changesBetween(emptyPersonFields(), draft.fields), at }); // prettier-ignore
  return result('created', { personId, noteId, faults, after });
}

async function changeKnown(
  manager: EntityManager,
  context: RowContext,
  loaded: LoadedFields,
  { draft, conflicts, faults }: { draft: RowDraft; conflicts: CellConflict[]; faults: RowResult['faults'] },
  note: string,
  touched: string[],
  writes: boolean,
): Promise<RowResult> {
  const { person } = loaded;
  const before = recordOf(loaded);
  const after: ChangeableRecord = {
    kind: draft.kind,
    rating: draft.rating,
    tags: distinctTags(draft.tags),
    ownerId: context.ownerIdOf(draft.owner) ?? person.ownerId,
    fields: draft.fields,
  };
  const fault = isSame(before, after) ? undefined : complaintAbout(draft);
  if (fault) return result('refused', { personId: person.id, faults: [...faults, fault], conflicts });
  const isNew = note !== '' && !(await manager.existsBy(Note, { personId: person.id, text: note }));
  const told = { personId: person.id, faults, conflicts };
  if (isSame(before, after) && !isNew) return result('unchanged', told);
  if (!writes) return result('updated', told);
  touched.push(person.id);
  if (!isSame(before, after)) await editLocked(manager, context.who, loaded, { ...after, tags: [...after.tags] });
  const noteId = isNew ? await addNote(manager, context.who, person.id, note, new Date()) : null;
  return result('updated', { ...told, noteId, before, after });
}

/** Conflicts that somebody settled: these cells are taken from the file. */
export async function takeCells(
  manager: EntityManager,
  context: RowContext,
  row: ImportRowRecord,
  keys: readonly string[],
  touched: string[],
): Promise<RowResult> {
  const loaded = row.personId ? await lockedPerson(manager, context.who.workspaceId, row.personId) : undefined;
  if (!loaded) return result('refused', { faults: [{ key: '', fault: 'This person is not here any more.' }] });
  const { draft, faults } = settled(draftOf(context, loaded), row.conflicts, keys, context.words);
  const changed = await changeKnown(manager, context, loaded, { draft, faults, conflicts: [] }, '', touched, true);
  // What this row had changed before belongs to the same act.
  const before = row.before ?? changed.before;
  return { ...changed, noteId: row.noteId, before, after: changed.after ?? row.after, outcome: before ? 'updated' : 'unchanged' }; // prettier-ignore
}

export const recordOf = ({ person, fields }: LoadedFields): ChangeableRecord => ({
  kind: person.kind,
  rating: person.rating,
  tags: person.tags,
  ownerId: person.ownerId,
  fields,
});

const draftOf = ({ ownerNameOf }: RowContext, { person, fields }: LoadedFields): RowDraft => ({
  fields,
  kind: person.kind,
  rating: person.rating,
  tags: [...person.tags],
  owner: ownerNameOf(person.ownerId),
});

export const isSame = (one: ChangeableRecord, other: ChangeableRecord): boolean =>
  one.kind === other.kind &&
  one.rating === other.rating &&
  one.ownerId === other.ownerId &&
  one.tags.join('\n') === other.tags.join('\n') &&
  changesBetween(one.fields, other.fields).length === 0;

/** Somebody who is here, for this transaction alone. */
export async function lockedPerson(
  manager: EntityManager,
  workspaceId: string,
  id: string,
): Promise<LoadedFields | undefined> {
  const row = await manager.findOne(Person, {
    where: { id, workspaceId, deletedAt: IsNull() },
    lock: { mode: 'for_no_key_update' },
  });
  return row ? (await loadFields(manager, [id])).get(id) : undefined;
}

/** What the form would say. */
function complaintAbout(draft: RowDraft): { key: string; fault: string } | undefined {
  if (isNameless(draft.fields))
    return { key: '', fault: 'There is nothing to find this person by: no name, firm, address or number.' };
  const form = PersonEdit.safeParse({ ...draft, version: 1 });
  const issue = form.error?.issues[0];
  return issue && { key: issue.path.filter((part) => part !== 'fields').join('.'), fault: issue.message };
}

async function addNote(
  manager: EntityManager,
  who: SignedIn,
  personId: string,
  text: string,
  at: Date,
): Promise<string | null> {
  // prettier-ignore
  if (!text) return null;
  const id = uuidv7();
  await manager.insert(Note, {
    id,
    workspaceId: who.workspaceId,
    personId,
    authorId: who.accountId,
    text: text.slice(0, LONGEST_NOTE),
    at,
  });
  return id;
}

const LONGEST_NOTE = 4000;
