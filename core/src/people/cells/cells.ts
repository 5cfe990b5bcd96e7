import { isNameless } from '../changes/applyChange';
import { formatPhone } from '../formatPhone';
import type { PersonFields } from '../personFields';
import { typedPhone } from '../typedPhone';

/** Columns of a table of people whose cells can be written in. */
export const CELL_COLUMNS = [
  'givenName',
  'familyName',
  'title',
  'department',
  'company',
  'email',
  'phone',
  'street',
  'postalCode',
  'locality',
  'region',
  'country',
  'kind',
  'rating',
  'owner',
  'tags',
] as const;
export type CellColumn = (typeof CELL_COLUMNS)[number];

/** What of a person stands in cells. */
export interface CellRecord {
  fields: PersonFields;
  kind: 'contact' | 'lead';
  rating: string | null;
  ownerId: string;
  tags: readonly string[];
}

/** The workspace's own words, which cells are read by. */
export interface CellWords {
  /** ISO 3166, for numbers without a calling code. */
  country: string | null;
  ratings: readonly string[];
  owners: readonly { id: string; name: string }[];
}

const KINDS = { lead: 'Lead', contact: 'Contact' } as const;
const LONGEST_TAG = 40;
const MOST_TAGS = 30;

/** Of several numbers the first that is no fax. */
const mainPhone = ({ phones }: PersonFields): number => Math.max(0, phones.findIndex(({ kind }) => kind !== 'fax')); // prettier-ignore

/** What a cell says; of several addresses and numbers the first. */
export function cellText({ fields, kind, rating, ownerId, tags }: CellRecord, column: CellColumn, words: CellWords) {
  switch (column) {
    case 'email':
      return fields.emails[0] ?? '';
    case 'phone':
      return phoneText(fields.phones[mainPhone(fields)]);
    case 'kind':
      return KINDS[kind];
    case 'rating':
      return rating ?? '';
    case 'owner':
      return words.owners.find(({ id }) => id === ownerId)?.name ?? '';
    case 'tags':
      return tags.join(', ');
    default:
      return fields[column];
  }
}

const phoneText = (phone: PersonFields['phones'][number] | undefined): string =>
  phone ? formatPhone(phone.value, phone.extension) : '';

/** A record with something else in a cell, read as forms read it; words about what is wrong with it where it cannot be. */
export function withCell(
  record: CellRecord,
  column: CellColumn,
  written: string,
  words: CellWords,
): CellRecord | string {
  const text = written.replace(/\s+/g, ' ').trim();
  const alike = (word: string) => word.toLowerCase() === text.toLowerCase();
  const { fields } = record;
  const withFields = (change: Partial<PersonFields>): CellRecord | string => {
    const after = { ...fields, ...change };
    return isNameless(after) && !isNameless(fields)
      ? 'Nothing would be left to find this person by.'
      : { ...record, fields: after };
  };
  switch (column) {
    case 'kind': {
      if (alike(KINDS.lead)) return { ...record, kind: 'lead' };
      if (alike(KINDS.contact)) return { ...record, kind: 'contact' };
      return 'Write Lead or Contact.';
    }
    case 'rating': {
      if (!text) return { ...record, rating: null };
      const rating = words.ratings.find(alike) ?? (record.rating && alike(record.rating) ? record.rating : undefined);
      if (rating !== undefined) return { ...record, rating };
      return words.ratings.length > 0 ? `Write ${words.ratings.join(', ')}, or nothing.` : 'This workspace has no words for rating yet.'; // prettier-ignore
    }
    case 'owner': {
      const owners = words.owners.filter(({ name }) => alike(name));
      if (owners.length === 1) return { ...record, ownerId: owners[0]!.id };
      return owners.length > 1 ? 'Several colleagues are called so.' : 'No colleague is called so.';
    }
    case 'tags': {
      const seen = new Set<string>();
      const tags = text
        .split(',')
        .map((tag) => tag.trim())
        .filter((tag) => tag && !seen.has(tag.toLowerCase()) && seen.add(tag.toLowerCase()));
      if (tags.some((tag) => tag.length > LONGEST_TAG)) return `A tag has at most ${LONGEST_TAG} characters.`;
      return tags.length > MOST_TAGS ? `There is room for ${MOST_TAGS} tags.` : { ...record, tags };
    }
    case 'email':
      return withFields({ emails: [...(text ? [text.toLowerCase()] : []), ...fields.emails.slice(1)] });
    case 'phone': {
      const at = mainPhone(fields);
      const kind = fields.phones[at]?.kind ?? 'work';
      const number = text ? [{ ...typedPhone(text, words.country), kind }] : [];
      return withFields({ phones: [...fields.phones.slice(0, at), ...number, ...fields.phones.slice(at + 1)] });
    }
    default:
      return withFields({ [column]: text });
  }
}

/**
 * Cells as spreadsheets put them on the clipboard: lines of cells between tabs; what holds a tab, a line break or a quotation mark
 * stands in quotation marks, with those inside doubled.
 */
export function pastedCells(text: string): string[][] {
  const rows: string[][] = [[]];
  const cell = /"((?:[^"]|"")*)"(?=[\t\r\n]|$)|([^\t\r\n]*)/y;
  let at = 0;
  for (;;) {
    cell.lastIndex = at;
    const [whole, quoted, plain] = cell.exec(text)!;
    rows.at(-1)!.push(quoted === undefined ? (plain ?? '') : quoted.replaceAll('""', '"'));
    at += whole.length;
    if (at >= text.length) break;
    if (text[at] === '\t') at++;
    else {
      at += text.startsWith('\r\n', at) ? 2 : 1;
      // Spreadsheets end the last line too.
      if (at >= text.length) break;
      rows.push([]);
    }
  }
  return rows;
}
