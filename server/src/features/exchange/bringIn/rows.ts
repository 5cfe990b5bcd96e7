import { PersonEdit, type RowOutcome } from '@dossier/contract';
import {
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
import { closedBy, isNameless, leadAfter, type ChangeableRecord } from '@dossier/core/people/changes';
import { In, IsNull, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import type { SignedIn } from '../../../platform/session';
import { Account, Workspace } from '../../account';
import { addPeople, distinctTags, editLocked, loadFields, logAll, Note, Person, type LoadedFields } from '../../people'; // prettier-ignore
import type { ImportFile, ImportRowRecord } from './entities';
import { keepPictures } from './pictures';

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
    words: {
      country: workspace.country,
      ratings: workspace.ratings,
      statuses: workspace.leadStatuses,
      closeReasons: workspace.closeReasons,
      owners: owners.map(({ name }) => name),
    },
    ownerIdOf: (name) => owners.find((one) => one.name === name)?.id,
    ownerNameOf: (id) => accounts.find((one) => one.id === id)?.name ?? '',
  };
}

/** What becomes of a row. */
export type RowResult = Pick<
  ImportRowRecord,
  'outcome' | 'personId' | 'noteId' | 'faults' | 'conflicts' | 'candidates' | 'before' | 'after'
>;

export const result = (outcome: RowOutcome, rest: Partial<RowResult> = {}): RowResult => ({
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

export type GivenRow = IncomingRow & Pick<IncomingPerson, 'uid' | 'pictures'>;

/** A row as it is read; a person of a file of vCards is one too. */
export function incomingRow(
  { file, words }: Pick<RowContext, 'file' | 'words'>,
  given: ImportRowRecord['given'],
): GivenRow {
  // prettier-ignore
  if (Array.isArray(given)) return { ...rowOf(given, file.mapping, file.head ?? [], words), uid: '', pictures: [] };
  const { fields, tags, note, kind, rating, owner = '', uid, pictures = [] }: IncomingPerson = given;
  const known = words.ratings.find((one) => one.toLowerCase() === rating?.toLowerCase());
  const draft: RowDraft = {
    fields,
    kind: kind ?? 'contact',
    rating: known ?? null,
    status: null,
    closed: null,
    tags,
    owner,
  };
  return { draft, note, cells: new Map(), back: undefined, faults: [], uid, pictures };
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
  context: RowContext,
  row: GivenRow,
  touched: string[],
): Promise<RowResult> {
  return (await createSome(manager, context, [row], touched))[0]!;
}

/** Files rows as somebody new. */
export async function createSome(
  manager: EntityManager,
  { who, ownerIdOf }: RowContext,
  rows: readonly GivenRow[],
  touched: string[],
): Promise<RowResult[]> {
  const at = new Date();
  const people = rows.map(({ draft }) => ({
    id: uuidv7(),
    kind: draft.kind,
    source: 'file' as const,
    rating: draft.rating,
    tags: distinctTags(draft.tags),
    ownerId: ownerIdOf(draft.owner) ?? who.accountId,
    fields: draft.fields,
    leadStatus: draft.status,
    closed: closedBy(null, draft.closed, at.toISOString()),
    filedByItselfAt: null,
  }));
  touched.push(...people.map(({ id }) => id));
  await addPeople(manager, who.workspaceId, people, at);
  await logAll(manager, who, people.map(({ id: personId, fields }) => ({ personId, action: 'filed' as const, changes: changesBetween(emptyPersonFields(), fields), at }))); // prettier-ignore
  const results: RowResult[] = [];
  for (const [
    i,
    { id: personId, kind, rating, leadStatus: status, closed, tags, ownerId, fields },
  ] of people.entries()) {
    const { note, faults, pictures } = rows[i]!;
    if (pictures.length > 0) await keepPictures(manager, who, personId, pictures, at);
    const noteId = await addNote(manager, who, personId, note, at);
    results.push(
      result('created', {
        personId,
        noteId,
        faults,
        after: { kind, rating, tags, ownerId, fields, status, closed, qualifiedAt: null },
      }),
    );
  }
  return results;
}

export async function changeKnown(
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
  const now = new Date().toISOString();
  const after: ChangeableRecord = {
    status: draft.status,
    ...leadAfter(before, draft.kind, closedBy(before.closed, draft.closed, now), now),
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
  status: person.leadStatus,
  closed: person.closed,
  qualifiedAt: person.qualifiedAt?.toISOString() ?? null,
  fields,
});

export const draftOf = ({ ownerNameOf }: RowContext, { person, fields }: LoadedFields): RowDraft => ({
  fields,
  kind: person.kind,
  rating: person.rating,
  status: person.leadStatus,
  closed: person.closed && { reason: person.closed.reason, words: person.closed.words },
  tags: [...person.tags],
  owner: ownerNameOf(person.ownerId),
});

export const isSame = (one: ChangeableRecord, other: ChangeableRecord): boolean =>
  one.kind === other.kind &&
  one.rating === other.rating &&
  one.status === other.status &&
  one.closed?.reason === other.closed?.reason &&
  one.closed?.words === other.closed?.words &&
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

/** As `lockedPerson`, for several; always in the same order, so that two who do so wait for each other and never both. */
export async function lockedPeople(
  manager: EntityManager,
  workspaceId: string,
  ids: readonly string[],
): Promise<Map<string, LoadedFields>> {
  if (ids.length === 0) return new Map();
  const rows = await manager.find(Person, {
    where: { id: In([...ids]), workspaceId, deletedAt: IsNull() },
    order: { id: 'ASC' },
    lock: { mode: 'for_no_key_update' },
  });
  return loadFields(manager, rows.map(({ id }) => id)); // prettier-ignore
}

/** What the form would say. */
export function complaintAbout(draft: RowDraft): { key: string; fault: string } | undefined {
  if (isNameless(draft.fields))
    return { key: '', fault: 'There is nothing to find this person by: no name, firm, address or number.' };
  const { status: _, closed: __, ...edit } = draft;
  const form = PersonEdit.safeParse({ ...edit, version: 1 });
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
