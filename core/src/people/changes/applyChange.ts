import { changesBetween, type FieldChange } from '../changesBetween';
import type { PersonFields, TextField } from '../personFields';

/** Why and when a lead was closed. @property at ISO 8601 */
export interface LeadClosed {
  at: string;
  reason: string;
  words: string;
}

/** What is known of a person that a change of many can touch. */
export interface ChangeableRecord {
  kind: 'contact' | 'lead';
  ownerId: string;
  rating: string | null;
  /** How far a lead is; of contacts it says how far they were. */
  status: string | null;
  /** Only leads are closed. */
  closed: LeadClosed | null;
  /** When a lead became a contact, ISO 8601; null for leads, and for whoever never was one. */
  qualifiedAt: string | null;
  tags: readonly string[];
  fields: PersonFields;
}

/** What is to be changed of many people at once; what is left out stays as it is. */
export interface RecordChange {
  addTags?: readonly string[];
  removeTags?: readonly string[];
  ownerId?: string;
  kind?: 'contact' | 'lead';
  rating?: string | null;
  status?: string | null;
  closed?: Omit<LeadClosed, 'at'> | null;
  field?: { name: TextField; value: string };
}

/** What somebody's record is afterwards, and what it says of that in the history; ids of owners are told by their names. */
export interface ChangedRecord {
  record: ChangeableRecord;
  changes: FieldChange[];
}

/** A record has at most so many tags, as the contract says. */
export const MOST_TAGS = 30;

export type Refusal = 'too-many-tags' | 'nameless' | 'no-lead';

/**
 * One record with a change applied. @param nameOf what an owner is called @param at when, ISO 8601
 * @returns undefined where nothing would be different, a word where the change cannot be
 */
export function applyChange(
  record: ChangeableRecord,
  change: RecordChange,
  nameOf: (ownerId: string) => string,
  at: string,
): ChangedRecord | Refusal | undefined {
  const tags = withTags(record.tags, change);
  if (tags.length > MOST_TAGS) return 'too-many-tags';
  const fields = change.field ? { ...record.fields, [change.field.name]: change.field.value } : record.fields;
  if (isNameless(fields) && !isNameless(record.fields)) return 'nameless';
  const kind = change.kind ?? record.kind;
  if (kind === 'contact' && (change.closed || (change.status !== undefined && change.status !== record.status)))
    return 'no-lead';
  const after: ChangeableRecord = {
    kind,
    ownerId: change.ownerId ?? record.ownerId,
    rating: change.rating === undefined ? record.rating : change.rating,
    status: change.status === undefined ? record.status : change.status,
    closed: change.closed === undefined ? record.closed : closedBy(record.closed, change.closed, at),
    qualifiedAt: record.qualifiedAt,
    tags,
    fields,
  };
  Object.assign(after, leadAfter(record, kind, after.closed, at));
  const changes = told(record, after, nameOf);
  const isSame = changes.length === 0 && after.ownerId === record.ownerId;
  return isSame ? undefined : { record: after, changes };
}

/** A lead that is closed already for the same is so since then. */
export const closedBy = (
  before: LeadClosed | null,
  wanted: Omit<LeadClosed, 'at'> | null,
  at: string,
): LeadClosed | null =>
  wanted && before?.reason === wanted.reason && before.words === wanted.words ? before : wanted && { at, ...wanted };

/** What becomes of a lead with its kind: whoever is a contact is not closed any more, and was qualified when they became one. */
export function leadAfter(
  before: Pick<ChangeableRecord, 'kind' | 'qualifiedAt'>,
  kind: ChangeableRecord['kind'],
  closed: LeadClosed | null,
  at: string,
): Pick<ChangeableRecord, 'closed' | 'qualifiedAt'> {
  if (kind === 'lead') return { closed, qualifiedAt: null };
  return { closed: null, qualifiedAt: before.kind === 'lead' ? at : before.qualifiedAt };
}

/** Why a lead is closed, in one line. */
export const closedWords = (closed: Pick<LeadClosed, 'reason' | 'words'> | null): string =>
  closed ? [closed.reason, closed.words].filter(Boolean).join(': ') : '';

/** What the history says of the way from one record to another. */
export const told = (
  before: ChangeableRecord,
  after: ChangeableRecord,
  nameOf: (ownerId: string) => string,
): FieldChange[] =>
  [
    ...changesBetween(before.fields, after.fields),
    { field: 'kind', before: before.kind, after: after.kind },
    { field: 'tags', before: before.tags.join(', '), after: after.tags.join(', ') },
    { field: 'owner', before: nameOf(before.ownerId), after: nameOf(after.ownerId) },
    { field: 'rating', before: before.rating ?? '', after: after.rating ?? '' },
    { field: 'status', before: before.status ?? '', after: after.status ?? '' },
    { field: 'closed', before: closedWords(before.closed), after: closedWords(after.closed) },
  ].filter((change) => change.before !== change.after);

/** Tags are the same word whatever their capitals; one that is there stays as it was written, and one that is wanted is not taken away. */
function withTags(tags: readonly string[], { addTags = [], removeTags = [] }: RecordChange): string[] {
  const key = (tag: string) => tag.toLowerCase();
  const wanted = new Set(addTags.map(key));
  const gone = new Set(removeTags.map(key).filter((tag) => !wanted.has(tag)));
  const kept = tags.filter((tag) => !gone.has(key(tag)));
  const there = new Set(kept.map(key));
  return [...kept, ...addTags.filter((tag) => !there.has(key(tag)) && there.add(key(tag)))];
}

/** A record by which nobody could be found any more. */
export const isNameless = (fields: PersonFields): boolean =>
  !fields.givenName && !fields.middleName && !fields.familyName && !fields.company && fields.emails.length === 0 && fields.phones.length === 0; // prettier-ignore
