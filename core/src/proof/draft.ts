import {
  ADDRESS_FIELDS,
  addressLines,
  emptyPersonFields,
  isAddressField,
  type MoreEntry,
  type PersonFields,
  type TextField,
} from '../people';
import {
  isDoubt,
  FIELD_NAMES,
  REPEATABLE_FIELDS,
  type FieldName,
  type FieldProposal,
  type SourceSpan,
} from '../reading/fields';
import { fold } from '../text';

/**
 * One field on the proof desk: a proposal, or what a person made of it or added. Its confidence is 1 once a person wrote or settled it.
 * Its label is also the name of a field of the workspace's own.
 */
export interface DraftField extends FieldProposal {
  /** Unique within the draft. */
  id: string;
  /** Left out: kept on the desk, but not filed. */
  leftOut: boolean;
  /** Who wrote or settled it, and when (ISO 8601). */
  settled?: { by: string; at: string };
}

export interface Draft {
  fields: DraftField[];
  /** Number of the next field a person adds. */
  nextId: number;
  /** Tells fields added here from those added elsewhere at the same time; another one on each device and visit. */
  mark?: string;
  /** Fields that a person deleted, and when (ISO 8601): another device must not bring them back. */
  deleted?: readonly Deletion[];
}

export interface Deletion {
  id: string;
  at: string;
}

/** The id of the next field that is added. */
export const nextFieldId = ({ nextId, mark }: Draft): string => `a${nextId}${mark ? `-${mark}` : ''}`;

export function draftOf(proposals: readonly FieldProposal[]): Draft {
  return {
    fields: proposals.map((proposal, i) => ({ ...proposal, id: `p${i}`, leftOut: false })),
    nextId: 0,
  };
}

export const isDoubtful = (field: DraftField): boolean => !field.leftOut && isDoubt(field);

/** A person wrote the value: it is settled. */
export function editField(
  draft: Draft,
  id: string,
  change: Partial<Pick<DraftField, 'value' | 'phoneKind' | 'extension'>>,
): Draft {
  return mapField(draft, id, (field) => ({ ...field, ...change, confidence: 1 }));
}

/** A person looked and left it as it is. */
export const settleField = (draft: Draft, id: string): Draft =>
  mapField(draft, id, (field) => ({ ...field, confidence: 1 }));

export const leaveOut = (draft: Draft, id: string, leftOut: boolean): Draft =>
  mapField(draft, id, (field) => ({ ...field, leftOut }));

export const deleteField = (draft: Draft, id: string): Draft => ({
  ...draft,
  fields: draft.fields.filter((f) => f.id !== id),
});

const mapField = (draft: Draft, id: string, change: (field: DraftField) => DraftField): Draft => ({
  ...draft,
  fields: draft.fields.map((field) => (field.id === id ? change(field) : field)),
});

/** Adds a field that a person writes, or gives a loose line to one. A field that can stand only once takes the line at its end. */
export function addField(
  draft: Draft,
  field: FieldName,
  value = '',
  sources: readonly SourceSpan[] = [],
  label?: string,
): Draft {
  const standing = draft.fields.find((f) => f.field === field && f.label === label && !f.leftOut);
  if (standing && value && !REPEATABLE_FIELDS.includes(field)) {
    const joined = [standing.value, value]
      .filter(Boolean)
      .join(field === 'street' || field === 'title' || field === 'note' ? ', ' : ' ');
    return mapField(draft, standing.id, (f) => ({
      ...f,
      value: joined,
      sources: [...f.sources, ...sources],
      confidence: 1,
    }));
  }
  const added: DraftField = {
    id: nextFieldId(draft),
    field,
    value,
    ...(field === 'phone' && { phoneKind: 'work' as const }),
    ...(label && { label }),
    sources,
    confidence: 1,
    reasons: [],
    leftOut: false,
  };
  return { ...draft, fields: insertInOrder(draft.fields, added), nextId: draft.nextId + 1 };
}

/** Behind the last field of its kind or of those before it in the usual order. */
function insertInOrder(fields: readonly DraftField[], added: DraftField): DraftField[] {
  // Another address stands behind everything of the main one.
  const rank = (f: DraftField) => FIELD_NAMES.indexOf(f.label && f.field !== 'more' ? 'more' : f.field);
  let at = fields.length;
  while (at > 0 && rank(fields[at - 1]!) > rank(added)) at--;
  return [...fields.slice(0, at), added, ...fields.slice(at)];
}

/**
 * The draft after a back was joined or taken off: what a person wrote or settled stays; proposals from
 * a back that is no longer there fall away, and those of a new one come in.
 */
export function withBackOf(draft: Draft, proposals: readonly FieldProposal[]): Draft {
  const isOfBack = (f: FieldProposal) => f.sources.some((s) => s.side === 'back');
  const kept = draft.fields.filter((f) => !isOfBack(f) || f.confidence === 1);
  const known = (p: FieldProposal) => kept.some((f) => isSamePlace(f, p) && fold(f.value) === fold(p.value));
  return proposals.filter((p) => isOfBack(p) && !known(p)).reduce<Draft>(withProposal, { ...draft, fields: kept });
}

/**
 * The draft after the card was read anew, with other borders or turned: what a person wrote, settled or
 * left out stays, the rest is proposed afresh. Where a kept value is found again, it points at its new place.
 */
export function withNewReading(draft: Draft, proposals: readonly FieldProposal[]): Draft {
  const same = (f: FieldProposal, p: FieldProposal) => isSamePlace(f, p) && fold(f.value) === fold(p.value);
  const kept = draft.fields
    .filter((f) => f.confidence === 1 || f.leftOut)
    .map((f) => ({ ...f, sources: proposals.find((p) => same(f, p))?.sources ?? [] }));
  const single = (field: FieldName) => !REPEATABLE_FIELDS.includes(field);
  return proposals
    .filter((p) => !kept.some((f) => same(f, p) || (isSamePlace(f, p) && single(p.field) && !f.leftOut)))
    .reduce<Draft>(withProposal, { ...draft, fields: kept });
}

/**
 * The draft after its card was read a second time: what nobody has settled is as sure as both readings make it, with both on offer where they
 * differ. Values and places stay as they are, and so does everything that a person has made of it.
 * @returns the draft itself where that changes nothing
 */
export function withSecondReading(draft: Draft, proposals: readonly FieldProposal[]): Draft {
  const isOpen = (f: DraftField) => f.confidence !== 1 && !f.leftOut && !f.settled;
  const fields = draft.fields.map((f) => {
    const proposal = isOpen(f) ? proposals.find((p) => isSamePlace(f, p) && f.value === p.value) : undefined;
    return proposal && !isJudgedAs(f, proposal) ? { ...f, ...judgementOf(proposal) } : f;
  });
  return fields.every((f, i) => f === draft.fields[i]) ? draft : { ...draft, fields };
}

const judgementOf = ({ confidence, runnersUp, disagreement }: FieldProposal) => ({
  confidence,
  runnersUp,
  disagreement,
});
const isJudgedAs = (a: FieldProposal, b: FieldProposal): boolean =>
  JSON.stringify(judgementOf(a)) === JSON.stringify(judgementOf(b));

/** Of one field, and of one address where there are several. */
const isSamePlace = (a: FieldProposal, b: FieldProposal): boolean => a.field === b.field && a.label === b.label;

/** A draft with one more proposal. */
const withProposal = (draft: Draft, proposal: FieldProposal): Draft => ({
  ...draft,
  fields: insertInOrder(draft.fields, { ...proposal, id: nextFieldId(draft), leftOut: false }),
  nextId: draft.nextId + 1,
});

/** Marks every field in which two states of a draft differ as settled by somebody, and remembers which fields went. */
export function settledBy(before: Draft, after: Draft, by: string, at: string): Draft {
  const known = new Map(before.fields.map((field) => [field.id, field]));
  const here = new Set(after.fields.map(({ id }) => id));
  const gone = before.fields.filter(({ id }) => !here.has(id)).map(({ id }) => ({ id, at }));
  const deleted = [...(before.deleted ?? []), ...gone].filter(({ id }) => !here.has(id));
  return {
    ...after,
    fields: after.fields.map((field) => (known.get(field.id) === field ? field : { ...field, settled: { by, at } })),
    ...(deleted.length > 0 ? { deleted: deleted.slice(-MOST_DELETED) } : { deleted: undefined }),
  };
}

const MOST_DELETED = 120;

/**
 * One draft out of two that grew apart on two devices: of each field the one settled later, and whatever either has
 * added. Nothing that a person wrote is lost; what one of them deleted stays deleted, unless the other settled it later.
 * @returns `mine` itself when the other brings nothing new
 */
export function mergedDrafts(mine: Draft, theirs: Draft): Draft {
  const deletedAt = new Map<string, string>();
  for (const { id, at } of [...(mine.deleted ?? []), ...(theirs.deleted ?? [])])
    if (at > (deletedAt.get(id) ?? '')) deletedAt.set(id, at);
  const isDeleted = ({ id, settled }: DraftField) => (deletedAt.get(id) ?? '') > (settled?.at ?? '');
  const other = new Map(theirs.fields.map((field) => [field.id, field]));
  const later = (a: DraftField, b: DraftField) => ((b.settled?.at ?? '') > (a.settled?.at ?? '') ? b : a);
  const own = mine.fields
    .map((field) => (other.has(field.id) ? later(field, other.get(field.id)!) : field))
    .filter((field) => !isDeleted(field));
  const here = new Set(mine.fields.map((field) => field.id));
  const added = theirs.fields.filter((field) => !here.has(field.id) && field.settled && !isDeleted(field));
  const nextId = Math.max(mine.nextId, theirs.nextId);
  const standing = new Set([...own, ...added].map(({ id }) => id));
  const deleted = [...deletedAt].map(([id, at]) => ({ id, at })).filter(({ id }) => !standing.has(id));
  const isSame =
    added.length === 0 &&
    own.length === mine.fields.length &&
    own.every((field, i) => field === mine.fields[i]) &&
    deleted.every(({ id, at }) => mine.deleted?.some((known) => known.id === id && known.at === at));
  if (isSame) return mine;
  return added.reduce((draft, field) => ({ ...draft, fields: insertInOrder(draft.fields, field) }), {
    ...mine,
    fields: own,
    nextId,
    deleted: deleted.length > 0 ? deleted : undefined,
  });
}

/** Lines of the front that no field of the draft claims. */
export function looseLines(draft: Draft, lineCount: number): number[] {
  const sources = draft.fields.filter((f) => !f.leftOut).flatMap((f) => f.sources);
  const claimed = new Set(sources.filter((s) => s.side !== 'back').map((s) => s.line));
  return Array.from({ length: lineCount }, (_, i) => i).filter((i) => !claimed.has(i));
}

/** What is filed of a draft; texts are trimmed, empty fields and those left out fall away. */
export function personFieldsOf(draft: Draft): PersonFields {
  const person = emptyPersonFields();
  for (const { field, value: raw, phoneKind, extension, leftOut, label } of draft.fields) {
    const value = raw.trim();
    if (leftOut || !value || field === 'note' || isOfOtherAddress(field, label)) continue;
    if (field === 'email') person.emails.push(value.toLowerCase());
    else if (field === 'website') person.websites.push(value);
    else if (field === 'more') person.more.push({ label: label ?? '', value });
    else if (field === 'phone') person.phones.push({ value, kind: phoneKind ?? 'work', extension: extension ?? '' });
    else person[field satisfies TextField] = value;
  }
  person.emails = [...new Set(person.emails)];
  person.more.push(...otherAddresses(draft));
  return person;
}

const isOfOtherAddress = (field: FieldName, label: string | undefined): boolean =>
  label !== undefined && isAddressField(field);

/** Addresses beside the main one: fields of an address that have a label belong together by it. */
function otherAddresses(draft: Draft): MoreEntry[] {
  const fields = draft.fields.filter((f) => !f.leftOut && f.value.trim() !== '' && isOfOtherAddress(f.field, f.label));
  return [...new Set(fields.map((f) => f.label!))].map((label) => {
    const part = (name: FieldName) => fields.find((f) => f.label === label && f.field === name)?.value.trim() ?? '';
    const address = { street: part('street'), postalCode: part('postalCode'), locality: part('locality'), region: part('region'), country: part('country') }; // prettier-ignore
    return { label, value: [...addressLines(address), address.country].filter(Boolean).join(', '), address };
  });
}

/** Adds an empty address beside the main one, part by part. */
export const addAddress = (draft: Draft, label: string): Draft =>
  ADDRESS_FIELDS.reduce((next, field) => addField(next, field, '', [], label), draft);

/** Text given to the note on the desk. */
export const noteOf = (draft: Draft): string =>
  draft.fields
    .filter((f) => f.field === 'note' && !f.leftOut)
    .map((f) => f.value.trim())
    .filter(Boolean)
    .join('\n');

/** Best guess of whose card it is, for lists. */
export function guessOf(proposals: readonly FieldProposal[]): { name: string | null; company: string | null } {
  const value = (field: FieldName) => proposals.find((p) => p.field === field)?.value || undefined;
  const name = [value('givenName'), value('middleName'), value('familyName')].filter(Boolean).join(' ');
  return { name: name || null, company: value('company') ?? null };
}

export const countDoubts = (proposals: readonly FieldProposal[]): number => proposals.filter(isDoubt).length;
