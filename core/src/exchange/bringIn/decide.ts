import { emailKey, phoneKey, websiteKey } from '../../matching';
import { TEXT_FIELDS, type PersonFields } from '../../people';
import { cellMark, withCells, type PeopleColumn, type RowDraft, type RowWords } from '../table';
import type { TakenPerson } from '../takenPerson';
import type { IncomingRow } from './rowOf';
import { ALL_COLUMNS } from './mapping';

/** A cell that says one thing in the file and another here, both changed since the table was taken out. */
export interface CellConflict {
  key: string;
  here: string;
  file: string;
}

export interface Decided {
  draft: RowDraft;
  conflicts: CellConflict[];
  faults: { key: string; fault: string }[];
}

/** What columns read of a person. */
type Shown = Parameters<PeopleColumn['get']>[0];

const NOTHING_BESIDE: Omit<
  TakenPerson,
  'fields' | 'kind' | 'rating' | 'status' | 'closed' | 'tags' | 'owner' | 'version'
> = {
  id: '',
  occasions: [],
  notes: [],
  companyId: null,
  filedAt: new Date(0),
  touchedAt: new Date(0),
  nextOn: null,
  qualifiedAt: null,
};
const shown = (draft: RowDraft): Shown => ({ ...NOTHING_BESIDE, version: 0, ...draft, closed: draft.closed && { at: '', ...draft.closed } }); // prettier-ignore

/**
 * A person that was taken out and comes back: exactly the cells that were changed in the file are written. What was changed here meanwhile
 * stays; where both were, and differently, it is a conflict.
 * @param version of the person as it is here
 */
export function broughtBack(now: RowDraft, version: number, row: IncomingRow, words: RowWords): Decided {
  const { back, cells } = row;
  const person = shown(now);
  const taken = new Map<string, string>();
  const conflicts: CellConflict[] = [];
  for (const column of ALL_COLUMNS) {
    const file = cells.get(column.key);
    if (file === undefined || !column.set || !back) continue;
    const here = column.get(person);
    const [markHere, markFile, markOut] = [cellMark(here), cellMark(file), back.marks.get(column.key)];
    if (markFile === markHere || markFile === markOut) continue;
    const isOnlyThere = markOut === undefined ? back.version === version : markHere === markOut;
    if (isOnlyThere) taken.set(column.key, file);
    else conflicts.push({ key: column.key, here, file });
  }
  return { ...withCells(now, taken, ALL_COLUMNS, words), conflicts };
}

/** What becomes of what is known where a file says otherwise: only what is empty is filled, the file wins, or somebody is asked. */
export const RULES = ['fill', 'file', 'ask'] as const;
export type Rule = (typeof RULES)[number];

/** A known person with what a file says of them. Addresses, numbers and tags are added, never taken away. */
export function withIncoming(now: RowDraft, incoming: RowDraft, rule: Rule): Omit<Decided, 'faults'> {
  const fields: PersonFields = structuredClone(now.fields);
  const conflicts: CellConflict[] = [];
  const decide = <T extends string | null>(key: string, here: T, file: T): T => {
    if (!file || file === here) return here;
    if (!here || rule === 'file') return file;
    if (rule === 'ask') conflicts.push({ key, here, file });
    return here;
  };
  for (const key of TEXT_FIELDS) fields[key] = decide(key, fields[key], incoming.fields[key]);
  fields.emails = joined(fields.emails, incoming.fields.emails, emailKey);
  fields.phones = joined(fields.phones, incoming.fields.phones, ({ value }) => phoneKey(value));
  fields.websites = joined(fields.websites, incoming.fields.websites, websiteKey);
  fields.more = joined(fields.more, incoming.fields.more, ({ label, value }) => `${label}\n${value}`);
  const draft: RowDraft = {
    ...now,
    fields,
    rating: decide('rating', now.rating, incoming.rating),
    ...(now.kind === 'lead' && { status: decide('status', now.status, incoming.status) }),
    tags: joined(now.tags, incoming.tags, (tag) => tag.toLowerCase()),
  };
  return { draft, conflicts };
}

function joined<T>(here: readonly T[], file: readonly T[], keyOf: (entry: T) => string): T[] {
  const known = new Set(here.map(keyOf));
  return [...here, ...file.filter((entry) => !known.has(keyOf(entry)) && known.add(keyOf(entry)))];
}

/** Conflicts settled for the file, by the keys of their columns. */
export function settled(now: RowDraft, conflicts: readonly CellConflict[], keys: readonly string[], words: RowWords) {
  const cells = new Map(conflicts.filter(({ key }) => keys.includes(key)).map(({ key, file }) => [key, file]));
  return withCells(now, cells, ALL_COLUMNS, words);
}
