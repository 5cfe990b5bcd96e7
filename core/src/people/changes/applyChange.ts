import { changesBetween, type FieldChange } from '../changesBetween';
import type { PersonFields, TextField } from '../personFields';

/** What is known of a person that a change of many can touch. */
export interface ChangeableRecord {
  kind: 'contact' | 'lead';
  ownerId: string;
  rating: string | null;
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
  field?: { name: TextField; value: string };
}

/** What somebody's record is afterwards, and what it says of that in the history; ids of owners are told by their names. */
export interface ChangedRecord {
  record: ChangeableRecord;
  changes: FieldChange[];
}

/** A record has at most so many tags, as the contract says. */
export const MOST_TAGS = 30;

export type Refusal = 'too-many-tags' | 'nameless';

/**
 * One record with a change applied. @param nameOf what an owner is called
 * @returns undefined where nothing would be different, a word where the change cannot be
 */
export function applyChange(
  record: ChangeableRecord,
  change: RecordChange,
  nameOf: (ownerId: string) => string,
): ChangedRecord | Refusal | undefined {
  const tags = withTags(record.tags, change);
  if (tags.length > MOST_TAGS) return 'too-many-tags';
  const fields = change.field ? { ...record.fields, [change.field.name]: change.field.value } : record.fields;
  if (isNameless(fields) && !isNameless(record.fields)) return 'nameless';
  const after: ChangeableRecord = {
    kind: change.kind ?? record.kind,
    ownerId: change.ownerId ?? record.ownerId,
    rating: change.rating === undefined ? record.rating : change.rating,
    tags,
    fields,
  };
  const changes = [
    ...changesBetween(record.fields, fields),
    { field: 'kind', before: record.kind, after: after.kind },
    { field: 'tags', before: record.tags.join(', '), after: tags.join(', ') },
    { field: 'owner', before: nameOf(record.ownerId), after: nameOf(after.ownerId) },
    { field: 'rating', before: record.rating ?? '', after: after.rating ?? '' },
  ].filter(({ before, after: now }) => before !== now);
  const isSame = changes.length === 0 && after.ownerId === record.ownerId;
  return isSame ? undefined : { record: after, changes };
}

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
