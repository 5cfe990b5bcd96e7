import { emptyPersonFields } from '../../people';
import { proposeFields, readingOfText, splitName } from '../../reading';
import { writable } from '../../text';
import { countryCode } from '../countryCode';
import { LONGEST_TAKEN_APART } from '../incomingPerson';
import { marksOf, withCells, type RowDraft, type RowWords } from '../table';
import { ALL_COLUMNS, BACK_COLUMNS, type Mapping } from './mapping';

/** A row of a table as a person, before anybody has said whether they are known. */
export interface IncomingRow {
  draft: RowDraft;
  note: string;
  /** Cells by the keys of their columns: those that the table has, also empty ones. */
  cells: Map<string, string>;
  /** As a table that was taken out knows them. */
  back: { id: string; version: number; marks: Map<string, string> } | undefined;
  /** What is wrong with which cells, in words; those are left out. */
  faults: { key: string; fault: string }[];
}

/** What a person is who is new, as far as their row says nothing else. */
export const newDraft = (): RowDraft => ({
  fields: emptyPersonFields(),
  kind: 'contact',
  rating: null,
  status: null,
  closed: null,
  tags: [],
  owner: '',
});

const UUID = /^[\da-f]{8}-[\da-f]{4}-[\da-f]{4}-[\da-f]{4}-[\da-f]{12}$/i;
const NUMBERED = /^(email|phone|website|more)(\d+)/;
const SIMPLE_PHONES: Readonly<Record<string, string>> = { phone: 'Work', mobile: 'Mobile', fax: 'Fax' };

/**
 * Reads a row: names and addresses that stand in one cell are taken apart as those of cards are, numbers get their country.
 * @param head names of the columns, for fields of their own
 */
export function rowOf(row: readonly string[], mapping: Mapping, head: readonly string[], words: RowWords): IncomingRow {
  const cells = new Map<string, string>();
  const notes: string[] = [];
  const back = { id: '', version: 0, marks: new Map<string, string>() };
  const free = { email: 1, phone: 1, website: 1, more: 1 };
  // Those that have a number keep it.
  for (const target of mapping) {
    const [, list, number] = NUMBERED.exec(target ?? '') ?? [];
    if (list) free[list as keyof typeof free] = Math.max(free[list as keyof typeof free], Number(number) + 1);
  }
  mapping.forEach((target, i) => {
    const text = writable(row[i] ?? '').trim();
    if (target === null) return;
    if (target in BACK_COLUMNS) {
      if (target === 'id' && UUID.test(text)) back.id = text.toLowerCase();
      if (target === 'version') back.version = Number(text) || 0;
      if (target === 'state') back.marks = marksOf(text);
    } else if (target === 'note') {
      if (text) notes.push(text);
    } else if (target === 'fullName' || target === 'address') takeApart(target, text, words, cells);
    else if (target === 'email' || target === 'website') {
      // Several in one cell.
      for (const one of text.split(/[\s,;]+/).filter(Boolean)) cells.set(`${target}${free[target]++}`, one);
    } else if (target in SIMPLE_PHONES) {
      for (const one of text.split(/\s*[;\n]\s*/).filter(Boolean)) {
        cells.set(`phone${free.phone}`, one);
        cells.set(`phone${free.phone++}Kind`, SIMPLE_PHONES[target]!);
      }
    } else if (target === 'own') {
      if (!text) return;
      cells.set(`more${free.more}Label`, head[i]?.trim() || 'Field');
      cells.set(`more${free.more++}`, text);
    } else if (target === 'tags') cells.set('tags', text.includes(';') ? text : text.replace(/,\s*/g, '; '));
    else cells.set(target, text);
  });
  const country = countryCode(cells.get('country') ?? '') ?? words.country;
  const { draft, faults } = withCells(newDraft(), withoutBlanks(cells), ALL_COLUMNS, { ...words, country });
  return { draft, note: notes.join('\n\n'), cells, back: back.id ? back : undefined, faults };
}

/** A new person has what is written; kinds and owners that are not are the usual ones. */
const withoutBlanks = (cells: ReadonlyMap<string, string>): Map<string, string> =>
  new Map([...cells].filter(([, text]) => text !== ''));

function takeApart(target: 'fullName' | 'address', text: string, words: RowWords, cells: Map<string, string>): void {
  if (!text) return;
  // What stands in a column of its own is surer.
  const set = (key: string, value: string | undefined) => {
    if (value && !cells.get(key)) cells.set(key, value);
  };
  if (text.length > LONGEST_TAKEN_APART) return set(target === 'fullName' ? 'familyName' : 'street', text);
  if (target === 'fullName') {
    const reversed = /^([^,]+),\s*([^,.]+)$/.exec(text);
    const name = splitName(reversed ? `${reversed[2]} ${reversed[1]}` : text, words.country ?? undefined);
    if (!name.familyName && !name.givenName) return set('familyName', text);
    for (const [key, value] of Object.entries(name)) set(key, value as string | undefined);
    return;
  }
  const lines = text.split(/\s*[\n;]\s*|,\s+/).filter(Boolean);
  const { fields } = proposeFields(readingOfText(lines.join('\n')), { assumedCountry: words.country ?? undefined });
  const found = new Map(fields.map(({ field, value }) => [field as string, value]));
  for (const key of ['street', 'postalCode', 'locality', 'region', 'country']) set(key, found.get(key));
  if (!found.has('street')) set('street', lines.join(', '));
}
