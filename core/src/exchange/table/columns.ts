import type { PersonFields, TextField } from '../../people';
import { closedWords } from '../../people/changes';
import { onOneLine } from '../../text';
import { countryCode } from '../countryCode';
import { namedWord } from '../namedWord';
import type { PeopleColumn, Repeats, RowDraft, RowWords } from './models';
import { moreColumns, part, phoneColumns } from './repeated';

export const LEAST_REPEATS: Repeats = { emails: 1, phones: 1, websites: 1, more: 0, moreAddresses: false };

/** The columns that these people need, at least. */
export const repeatsOf = (people: readonly { fields: PersonFields }[]): Repeats =>
  people.reduce(
    (most, { fields: { emails, phones, websites, more } }) => ({
      emails: Math.max(most.emails, emails.length),
      phones: Math.max(most.phones, phones.length),
      websites: Math.max(most.websites, websites.length),
      more: Math.max(most.more, more.length),
      moreAddresses: most.moreAddresses || more.some(({ address }) => address),
    }),
    LEAST_REPEATS,
  );

const LEADS = 'Lead';
const CONTACTS = 'Contact';
const TAGS_BETWEEN = '; ';
const LONGEST_TAG = 40;

const LONGEST_WORDS = 500;
/** A reason of the workspace's list, and what stands behind a colon. */
function closedOf(written: string, reasons: readonly string[]): RowDraft['closed'] | undefined {
  const whole = namedWord(reasons, written);
  if (whole !== undefined) return { reason: whole, words: '' };
  const reason = reasons.find((one) => written.toLowerCase().startsWith(`${one.toLowerCase()}:`));
  return reason === undefined ? undefined : { reason, words: written.slice(reason.length + 1).trim() };
}

const text = (key: TextField, header: string, about: string): PeopleColumn => ({
  key,
  header,
  type: 'text',
  about,
  get: ({ fields }) => fields[key],
  set: ({ fields }, written) => {
    fields[key] = key === 'country' ? (countryCode(written) ?? written) : written;
    return undefined;
  },
});

const upTo = (count: number): number[] => Array.from({ length: count }, (_, i) => i);

/** All columns of a table of people, as they are proposed to be taken out. */
export function peopleColumns(repeats: Repeats): PeopleColumn[] {
  return [
    text('prefix', 'Form of address', 'What stands before the name: Dr.'),
    text('givenName', 'Given name', 'The given name.'),
    text('middleName', 'Middle name', 'Further given names.'),
    text('familyName', 'Family name', 'The family name.'),
    text('suffix', 'Letters after the name', 'What stands behind the name: MBA.'),
    text('company', 'Company', 'Where the person works now.'),
    text('title', 'Title', 'What the person is there.'),
    text('department', 'Department', 'In which part of the company.'),
    ...upTo(repeats.emails).map(
      (at) =>
      part(({ emails }) => emails, () => '', { key: `email${at + 1}`, header: `E-mail ${at + 1}`, about: 'An e-mail address.' }, at, (email) => email, (_, written) => written.toLowerCase()), // prettier-ignore
    ),
    ...upTo(repeats.phones).flatMap(phoneColumns),
    ...upTo(repeats.websites).map(
      (at) =>
      part(({ websites }) => websites, () => '', { key: `website${at + 1}`, header: `Website ${at + 1}`, about: 'A web address.' }, at, (site) => site, (_, written) => written), // prettier-ignore
    ),
    text('street', 'Street', 'Street and number.'),
    text('postalCode', 'Postal code', 'The postal code.'),
    text('locality', 'Town', 'The town.'),
    text('region', 'Region', 'County, state or province.'),
    text('country', 'Country', 'The country, as its code of two letters where it is known.'),
    ...upTo(repeats.more).flatMap((at) => moreColumns(at, repeats.moreAddresses)),
    {
      key: 'kind',
      header: 'Kind',
      type: 'text',
      about: 'Lead or Contact.',
      get: ({ kind }) => (kind === 'lead' ? LEADS : CONTACTS),
      set: (draft, written) => {
        if (!/^(?:lead|contact)$/i.test(written)) return 'Write Lead or Contact.';
        draft.kind = /lead/i.test(written) ? 'lead' : 'contact';
        return undefined;
      },
    },
    {
      key: 'rating',
      header: 'Rating',
      type: 'text',
      about: 'One of the workspace’s words for rating.',
      get: ({ rating }) => rating ?? '',
      set: (draft, written, { ratings }) => {
        const rating = written === '' ? null : namedWord(ratings, written);
        if (rating === undefined) return ratings.length > 0 ? `Write ${ratings.join(', ')}, or nothing.` : 'This workspace has no words for rating yet.'; // prettier-ignore
        draft.rating = rating;
        return undefined;
      },
    },
    {
      key: 'tags',
      header: 'Tags',
      type: 'text',
      about: 'Tags, with semicolons between them.',
      get: ({ tags }) => tags.join(TAGS_BETWEEN),
      set: (draft, written) => {
        const tags = [...new Set(written.split(';').map((tag) => tag.trim()).filter(Boolean))]; // prettier-ignore
        if (tags.some((tag) => tag.length > LONGEST_TAG)) return `A tag has at most ${LONGEST_TAG} characters.`;
        draft.tags = tags;
        return undefined;
      },
    },
    {
      key: 'owner',
      header: 'Owner',
      type: 'text',
      about: 'The colleague whose person it is.',
      get: ({ owner }) => owner,
      set: (draft, written, { owners }) => {
        const meant = owners.filter((one) => one.toLowerCase() === written.toLowerCase());
        if (meant.length !== 1) return meant.length > 1 ? 'Several colleagues are called so.' : 'No colleague is called so.'; // prettier-ignore
        draft.owner = meant[0]!;
        return undefined;
      },
    },
    {
      key: 'status',
      header: 'Status',
      type: 'text',
      about: 'How far a lead is, in one of the workspace’s words; empty for contacts.',
      get: ({ kind, status }) => (kind === 'lead' ? (status ?? '') : ''),
      set: (draft, written, { statuses }) => {
        if (draft.kind === 'contact') return written === '' ? undefined : 'Only leads have a status.';
        const status = written === '' ? null : namedWord(statuses, written);
        if (status === undefined) return statuses.length > 0 ? `Write ${statuses.join(', ')}, or nothing.` : 'This workspace has no words for how far leads are.'; // prettier-ignore
        draft.status = status;
        return undefined;
      },
    },
    shown('closedOn', 'Closed', 'moment', 'When a lead was closed.', ({ closed }) => closed?.at ?? ''),
    {
      key: 'closedWhy',
      header: 'Why closed',
      type: 'text',
      about:
        'Why a lead is closed: one of the workspace’s reasons, and more behind a colon. Emptied, the lead is open again.',
      get: ({ closed }) => closedWords(closed),
      set: (draft, written, { closeReasons }) => {
        if (draft.kind === 'contact') return written === '' ? undefined : 'Only leads are closed.';
        const closed = written === '' ? null : closedOf(written, closeReasons);
        if (closed === undefined) return closeReasons.length > 0 ? `Begin with ${closeReasons.join(', ')}, or write nothing.` : 'This workspace has no reasons for closing leads.'; // prettier-ignore
        if (closed && closed.words.length > LONGEST_WORDS) return `At most ${LONGEST_WORDS} characters.`;
        draft.closed = closed;
        return undefined;
      },
    },
    shown('qualifiedAt', 'Qualified', 'moment', 'When a lead became a contact.', ({ qualifiedAt }) => qualifiedAt?.toISOString() ?? ''), // prettier-ignore
    shown('occasions', 'Occasions', 'text', 'Where cards of the person were received.', ({ occasions }) => occasions.join(TAGS_BETWEEN)), // prettier-ignore
    shown('notes', 'Notes', 'text', 'What was noted, the latest first.', ({ notes }) => notes.map(({ text }) => text).filter(Boolean).join('\n\n')), // prettier-ignore
    shown('nextOn', 'Next step', 'date', 'The day of the next step.', ({ nextOn }) => nextOn ?? ''),
    shown('filedAt', 'Filed', 'moment', 'When the person was filed.', ({ filedAt }) => filedAt.toISOString()),
    shown('touchedAt', 'Last touched', 'moment', 'When something was last written about the person.', ({ touchedAt }) => touchedAt.toISOString()), // prettier-ignore
  ];
}

function shown(
  key: string,
  header: string,
  type: PeopleColumn['type'],
  about: string,
  get: PeopleColumn['get'],
): PeopleColumn {
  // prettier-ignore
  return { key, header, type, about: `${about} Only shown: it is not read when the table comes back.`, get };
}

/** Reads cells into a person. @param cells by the keys of their columns @returns what is wrong with which of them, and the person without those */
export function withCells(
  draft: RowDraft,
  cells: ReadonlyMap<string, string>,
  columns: readonly PeopleColumn[],
  words: RowWords,
): { draft: RowDraft; faults: { key: string; fault: string }[] } {
  const fields = structuredClone(draft.fields);
  const changed: RowDraft = { ...draft, tags: [...draft.tags], fields };
  const faults: { key: string; fault: string }[] = [];
  for (const { key, set } of columns) {
    const written = cells.get(key);
    if (written === undefined || !set) continue;
    const fault = set(changed, onOneLine(written), words);
    if (fault) faults.push({ key, fault });
  }
  fields.emails = [...new Set(fields.emails.filter(Boolean))];
  fields.websites = [...new Set(fields.websites.filter(Boolean))];
  fields.phones = fields.phones.filter(({ value }) => value);
  fields.more = fields.more.filter(({ value }) => value);
  return { draft: changed, faults };
}
