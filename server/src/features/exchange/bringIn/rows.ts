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
import { blockKeys, featuresOf } from '@dossier/core/matching/people';
import { changesBetween, emptyPersonFields, sortName, type PersonFields } from '@dossier/core/people';
import { isNameless, type ChangeableRecord } from '@dossier/core/people/changes';
import { trigramSimilarity } from '@dossier/core/text';
import { In, IsNull, type EntityManager } from 'typeorm';
import { v7 as uuidv7 } from 'uuid';
import type { SignedIn } from '../../../platform/session';
import { Account, Workspace } from '../../account';
import { comparing, findCandidates, findCandidatesOfEach, type Candidate } from '../../matching';
import { addPeople, distinctTags, editLocked, loadFields, logAll, Note, Person, type LoadedFields } from '../../people'; // prettier-ignore
import type { ImportFile, ImportRowRecord, RowCandidate } from './entities';
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

type GivenRow = IncomingRow & Pick<IncomingPerson, 'uid' | 'pictures'>;

/** A row as it is read; a person of a file of vCards is one too. */
export function incomingRow(
  { file, words }: Pick<RowContext, 'file' | 'words'>,
  given: ImportRowRecord['given'],
): GivenRow {
  // prettier-ignore
  if (Array.isArray(given)) return { ...rowOf(given, file.mapping, file.head ?? [], words), uid: '', pictures: [] };
  const { fields, tags, note, kind, rating, owner = '', uid, pictures = [] }: IncomingPerson = given;
  const known = words.ratings.find((one) => one.toLowerCase() === rating?.toLowerCase());
  const draft: RowDraft = { fields, kind: kind ?? 'contact', rating: known ?? null, tags, owner };
  return { draft, note, cells: new Map(), back: undefined, faults: [], uid, pictures };
}

const UID = /^urn:uuid:([\da-f]{8}(?:-[\da-f]{4}){3}-[\da-f]{12})$/i;

/**
 * Goes through some rows in their order, with few queries for all of them together. Somebody who is in them twice is known the second time.
 * @param touched told whose lists have to be made anew @param writes whether anything is written
 * @returns what became of each
 */
export async function goThroughSome(
  manager: EntityManager,
  context: RowContext,
  given: readonly ImportRowRecord['given'][],
  touched: string[],
  writes: boolean,
): Promise<RowResult[]> {
  const { workspaceId } = context.who;
  const rows = given.map((one) => incomingRow(context, one));
  const ids = rows.map((row) => row.back?.id ?? UID.exec(row.uid)?.[1]);
  const known = await lockedPeople(manager, workspaceId, ids.filter((id) => id !== undefined)); // prettier-ignore
  const faults = rows.map((row, i) => (known.has(ids[i] ?? '') ? undefined : complaintAbout(row.draft)));
  const asked = rows.flatMap((_, i) => (known.has(ids[i] ?? '') || faults[i] ? [] : i));
  const found = await findCandidatesOfEach(manager, workspaceId, asked.map((i) => rows[i]!.draft.fields)); // prettier-ignore
  const fresh = new FreshPeople(manager, context, rows.map(({ draft }) => draft.fields)); // prettier-ignore
  const results: RowResult[] = [];
  for (const [i, row] of rows.entries()) {
    const loaded = known.get(ids[i] ?? '');
    const fault = faults[i];
    if (loaded) {
      const latest = fresh.wasChanged(loaded.person.id) ? (await lockedPerson(manager, workspaceId, loaded.person.id))! : loaded; // prettier-ignore
      results[i] = await changeBack(manager, context, latest, row, touched, writes);
    } else if (fault) results[i] = result('refused', { faults: [...row.faults, fault] });
    else {
      const before = found[asked.indexOf(i)]!;
      const isStale = before.some(({ person }) => fresh.wasChanged(person.id)) || (await fresh.mayBe(i));
      if (isStale) await fresh.write(results, touched);
      const candidates = isStale ? await findCandidates(manager, workspaceId, row.draft.fields) : before;
      const [first] = candidates;
      if (first?.band === 'same') results[i] = await intoKnown(manager, context, first.person.id, row, touched, writes);
      else if (first) results[i] = result('perhaps', { candidates: asRow(candidates), faults: row.faults });
      else if (!writes) results[i] = result('created', { faults: row.faults });
      else fresh.add(i, row);
    }
    if (writes && results[i]?.outcome === 'updated') fresh.changed(i, results[i].personId!);
  }
  await fresh.write(results, touched);
  return results;
}

/** A row that names somebody who is here. */
function changeBack(
  manager: EntityManager,
  context: RowContext,
  loaded: LoadedFields,
  row: IncomingRow,
  touched: string[],
  writes: boolean,
): Promise<RowResult> {
  const now = draftOf(context, loaded);
  const decided = row.back ? broughtBack(now, loaded.person.version, row, context.words) : { ...withIncoming(now, row.draft, context.file.rule), faults: row.faults }; // prettier-ignore
  return changeKnown(manager, context, loaded, decided, row.back ? '' : row.note, touched, writes);
}

const SHOWN_CANDIDATES = 5;
const asRow = (candidates: readonly Candidate[]): RowCandidate[] =>
  candidates.slice(0, SHOWN_CANDIDATES).map(({ person: { id }, likelihood }) => ({ id, likelihood }));

/** A name is found again among others from 0.4 on, see `peopleNamedLike`. */
const ALIKE = 0.35;

/**
 * People of some rows who are new, written together. A row that may be one of them, or one who was changed meanwhile, has to be compared
 * with what is written by then.
 */
class FreshPeople {
  private readonly waiting: { place: number; row: GivenRow }[] = [];
  private readonly places: number[] = [];
  private readonly ids = new Set<string>();
  private readonly keys: (ReadonlySet<string> | undefined)[] = [];
  private isPerhaps: ((one: number, other: number) => boolean) | undefined;

  /** @param all of the rows, in their order */
  constructor(
    private readonly manager: EntityManager,
    private readonly context: RowContext,
    private readonly all: readonly PersonFields[],
  ) {}

  add(place: number, row: GivenRow): void {
    this.waiting.push({ place, row });
    this.places.push(place);
  }

  changed(place: number, id: string): void {
    this.ids.add(id);
    this.places.push(place);
  }

  wasChanged(id: string): boolean {
    return this.ids.has(id);
  }

  /** Whether the row at a place is perhaps one of those before it. */
  async mayBe(place: number): Promise<boolean> {
    const near = this.places.filter((other) => this.areNear(place, other));
    if (near.length === 0) return false;
    this.isPerhaps ??= await comparing(this.manager, this.context.who.workspaceId, this.all);
    return near.some((other) => this.isPerhaps!(place, other));
  }

  /** Makes the records of those who wait. @param results told what became of their rows */
  async write(results: RowResult[], touched: string[]): Promise<void> {
    const some = this.waiting.splice(0);
    if (some.length === 0) return;
    const made = await createSome(this.manager, this.context, some.map(({ row }) => row), touched); // prettier-ignore
    for (const [i, { place }] of some.entries()) results[place] = made[i]!;
  }

  /** Whether the search would bring the two together. */
  private areNear(one: number, other: number): boolean {
    const keys = this.keysOf(other);
    for (const key of this.keysOf(one)) if (keys.has(key)) return true;
    return trigramSimilarity(sortName(this.all[one]!), sortName(this.all[other]!)) >= ALIKE;
  }

  private keysOf(place: number): ReadonlySet<string> {
    return (this.keys[place] ??= new Set(
      blockKeys(featuresOf(this.all[place]!, this.context.words.country ?? undefined)),
    ));
  }
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
async function createSome(
  manager: EntityManager,
  { who, ownerIdOf }: RowContext,
  rows: readonly GivenRow[],
  touched: string[],
): Promise<RowResult[]> {
  const at = new Date();
  const people = rows.map(({ draft }) => ({
    id: uuidv7(),
    kind: draft.kind,
    rating: draft.rating,
    tags: distinctTags(draft.tags),
    ownerId: ownerIdOf(draft.owner) ?? who.accountId,
    fields: draft.fields,
    filedByItselfAt: null,
  }));
  touched.push(...people.map(({ id }) => id));
  await addPeople(manager, who.workspaceId, people, at);
  await logAll(manager, who, people.map(({ id: personId, fields }) => ({ personId, action: 'filed' as const, changes: changesBetween(emptyPersonFields(), fields), at }))); // prettier-ignore
  const results: RowResult[] = [];
  for (const [i, { id: personId, kind, rating, tags, ownerId, fields }] of people.entries()) {
    const { note, faults, pictures } = rows[i]!;
    if (pictures.length > 0) await keepPictures(manager, who, personId, pictures, at);
    const noteId = await addNote(manager, who, personId, note, at);
    results.push(result('created', { personId, noteId, faults, after: { kind, rating, tags, ownerId, fields } }));
  }
  return results;
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

/** As `lockedPerson`, for several; always in the same order, so that two who do so wait for each other and never both. */
async function lockedPeople(
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
