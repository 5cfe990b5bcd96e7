import fc from 'fast-check';
import { emptyPersonFields } from '../../people';
import { anyPerson } from '../anyPerson.testing';
import { countryCode } from '../countryCode';
import { newDraft } from '../bringIn';
import type { TakenPerson } from '../takenPerson';
import {
  cellMark,
  csvLine,
  DELIMITERS,
  guardedCell,
  marksOf,
  peopleColumns,
  readCsv,
  repeatsOf,
  rowState,
  unguardedCell,
  withCells,
} from '.';

const words = {
  country: null,
  ratings: ['Hot', 'Warm'],
  statuses: ['New', 'Spoken to'],
  closeReasons: ['No need', 'No money'],
  owners: ['Ottilie Brandt', 'Idris Falconer'],
};
const taken = (rest: Partial<TakenPerson>): TakenPerson => ({
  id: '01900000-0000-7000-8000-000000000001',
  version: 3,
  fields: emptyPersonFields(),
  kind: 'lead',
  rating: 'Hot',
  tags: [],
  owner: 'Ottilie Brandt',
  occasions: [],
  notes: [],
  companyId: null,
  filedAt: new Date(Date.UTC(2026, 2, 24, 9)),
  touchedAt: new Date(Date.UTC(2026, 2, 25, 9)),
  nextOn: null,
  status: null,
  closed: null,
  qualifiedAt: null,
  ...rest,
});

describe('a table of people', () => {
  it('taken out as CSV and read again gives the same people', () => {
    // What is filed has been read by the same rules: numbers as they are, countries by their codes.
    const filed = anyPerson.map((fields) => ({
      ...fields,
      country: countryCode(fields.country) ?? fields.country,
      phones: fields.phones.filter(({ value }) => /^\+\d+$/.test(value)),
    }));
    const tags = fc.uniqueArray(fc.constantFrom('cold chain', '=fish', 'dairy, north', '-'), { maxLength: 3 });
    fc.assert(
      fc.property(filed, tags, fc.constantFrom(...DELIMITERS), (fields, tags, delimiter) => {
        const person = taken({ fields, tags, status: 'New', closed: { at: '2026-04-01T09:00:00.000Z', reason: 'No money', words: 'this year' } }); // prettier-ignore
        const columns = peopleColumns(repeatsOf([person]));
        const file = csvLine(columns.map(({ header }) => header), delimiter) + csvLine(columns.map(({ get }) => get(person)), delimiter); // prettier-ignore
        const { rows } = readCsv(`\uFEFF${file}`);
        expect(rows[0]).toEqual(columns.map(({ header }) => header));
        const cells = new Map(columns.map(({ key }, i) => [key, rows[1]![i]!]));
        const { draft, faults } = withCells(newDraft(), cells, columns, words);
        expect(faults).toEqual([]);
        expect(draft).toEqual({ fields, kind: 'lead', rating: 'Hot', status: 'New', closed: { reason: 'No money', words: 'this year' }, tags, owner: 'Ottilie Brandt' }); // prettier-ignore
      }),
      { numRuns: 300 },
    );
  });

  it('has as many columns for addresses and numbers as these people need', () => {
    const one = { fields: { ...emptyPersonFields(), emails: ['a@b.example', 'c@d.example'] } };
    const two = { fields: { ...emptyPersonFields(), more: [{ label: 'Trade fair', value: 'Hall 3' }] } };
    const keys = peopleColumns(repeatsOf([one, two])).map(({ key }) => key);
    expect(keys.filter((key) => /^(?:email|phone|more)/.test(key))).toEqual(['email1', 'email2', 'phone1', 'phone1Kind', 'phone1Extension', 'more1Label', 'more1']); // prettier-ignore
    expect(new Set(keys).size).toBe(keys.length);
  });

  it('says which cells cannot be, and takes the others', () => {
    const columns = peopleColumns(repeatsOf([]));
    const cells = new Map([['familyName', '  Voss  '], ['kind', 'Prospect'], ['rating', 'hot'], ['owner', 'Nobody'], ['phone1', '+44 1632 960117 ext. 12'], ['country', 'Deutschland'], ['notes', 'is only shown']]); // prettier-ignore
    const { draft, faults } = withCells(newDraft(), cells, columns, words);
    expect(faults.map(({ key }) => key)).toEqual(['kind', 'owner']);
    expect(draft.fields).toMatchObject({ familyName: 'Voss', country: 'DE', phones: [{ value: '+441632960117', kind: 'work', extension: '12' }] }); // prettier-ignore
    expect(draft.rating).toBe('Hot');
  });

  it('says how far a lead is and why it is closed, by the workspace’s words', () => {
    const columns = peopleColumns(repeatsOf([]));
    const written = (kind: 'lead' | 'contact', status: string, closedWhy: string) =>
      withCells({ ...newDraft(), kind, status: 'New' }, new Map([['status', status], ['closedWhy', closedWhy]]), columns, words); // prettier-ignore
    expect(written('lead', 'spoken TO', 'no need:  they have one ').draft).toMatchObject({ status: 'Spoken to', closed: { reason: 'No need', words: 'they have one' } }); // prettier-ignore
    expect(written('lead', '', '').draft).toMatchObject({ status: null, closed: null });
    expect(written('lead', 'Almost', 'No needle').faults.map(({ fault }) => fault)).toEqual(['Write New, Spoken to, or nothing.', 'Begin with No need, No money, or write nothing.']); // prettier-ignore
    expect(written('contact', 'New', 'No need').faults).toHaveLength(2);
    expect(written('contact', '', '').faults).toEqual([]);
  });

  it('takes an entry away whose cell is emptied', () => {
    const fields = { ...emptyPersonFields(), emails: ['a@b.example', 'c@d.example'], phones: [{ value: '+441632960117', kind: 'fax' as const, extension: '' }] }; // prettier-ignore
    const columns = peopleColumns(repeatsOf([{ fields }]));
    const { draft } = withCells({ ...newDraft(), fields }, new Map([['email1', ''], ['phone1', '']]), columns, words); // prettier-ignore
    expect(draft.fields).toMatchObject({ emails: ['c@d.example'], phones: [] });
    expect(fields.emails).toEqual(['a@b.example', 'c@d.example']);
  });
});

describe('a cell', () => {
  it('that a spreadsheet would take for a formula is text there, and comes back as it was', () => {
    for (const text of ['=1+1', '+441632960117', '-2', '@sum', '\tx', "'=x", "''+"]) {
      expect(guardedCell(text)).toMatch(/^'/);
      expect(unguardedCell(guardedCell(text))).toBe(text);
    }
    for (const text of ['', 'Voss', "O'Hara", "'tis"]) expect(guardedCell(text)).toBe(text);
    fc.assert(fc.property(fc.string(), (text) => unguardedCell(guardedCell(text)) === text));
  });

  it('tells by seven characters whether it was changed', () => {
    expect(cellMark('First\r\nSecond ')).toBe(cellMark('First\nSecond'));
    const marks = new Set(Array.from({ length: 20_000 }, (_, i) => cellMark(`Quay Road ${i}`)));
    expect(marks.size).toBe(20_000);
    const state = rowState([['familyName', 'Voss'], ['email1', '']]); // prettier-ignore
    expect(marksOf(state)).toEqual(new Map([['familyName', cellMark('Voss')], ['email1', cellMark('')]])); // prettier-ignore
    expect(marksOf('nonsense: of somebody')).toEqual(new Map());
  });
});

describe('CSV of other programs', () => {
  it.each([
    ['a,b\n1,2\n', ','],
    ['a;b;c\n"x;y";2,5;3\n', ';'],
    ['a\tb\n1\t2', '\t'],
    ['sep=;\na;b', ';'],
    ['one column\nof words, and more\nwords', ','],
  ])('%j is parted at its delimiter', (text, delimiter) => {
    expect(readCsv(text).delimiter).toBe(delimiter);
  });

  it('may have line breaks within quotation marks, and lines without anything', () => {
    expect(readCsv('name,note\n\n"Voss","first\nsecond ""quoted"""\n,\n').rows).toEqual([['name', 'note'], ['Voss', 'first\nsecond "quoted"']]); // prettier-ignore
    expect(readCsv('name;mail\r\n\r\n"Voss\nElin";a\r\n"Bo;b\r\nCy;c\r\n').openLine).toBe(5);
    expect(readCsv('name;mail\n"Voss";a\nBo "the boat" Lund;5"\n').openLine).toBeUndefined();
  });
});
