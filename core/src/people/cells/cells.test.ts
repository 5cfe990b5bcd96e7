import fc from 'fast-check';
import { emptyPersonFields } from '../personFields';
import { CELL_COLUMNS, cellText, pastedCells, withCell, type CellRecord } from '.';

const words = {
  country: 'GB',
  ratings: ['Warm', 'Cold'],
  owners: [
    { id: 'a', name: 'Ottilie Brandt' },
    { id: 'b', name: 'Idris Falconer' },
    { id: 'c', name: 'idris falconer' },
  ],
};
const record: CellRecord = {
  fields: {
    ...emptyPersonFields(),
    givenName: 'Corwin',
    emails: ['corwin@quay.example', 'c@home.example'],
    phones: [
      { value: '+447700900417', kind: 'mobile', extension: '' },
      { value: '+441632960100', kind: 'work', extension: '12' },
    ],
  },
  kind: 'lead',
  rating: 'Lukewarm',
  ownerId: 'a',
  tags: ['dairy'],
};
const set = (column: (typeof CELL_COLUMNS)[number], text: string, to = record) => withCell(to, column, text, words);

describe('a cell', () => {
  it.each([
    ['title', '  Dock   master ', { fields: { title: 'Dock master' } }],
    ['email', 'New@Quay.example', { fields: { emails: ['new@quay.example', 'c@home.example'] } }],
    ['email', '', { fields: { emails: ['c@home.example'] } }],
    [
      'phone',
      '07700 900512',
      { fields: { phones: [{ value: '+447700900512', kind: 'mobile' }, { extension: '12' }] } },
    ],
    ['phone', '01632 960117 ext 9', { fields: { phones: [{ value: '+441632960117', extension: '9' }, {}] } }],
    ['kind', 'CONTACT', { kind: 'contact' }],
    ['rating', 'warm', { rating: 'Warm' }],
    ['rating', 'lukewarm', { rating: 'Lukewarm' }],
    ['rating', '', { rating: null }],
    ['owner', 'ottilie brandt', { ownerId: 'a' }],
    ['tags', 'dairy, Visit, visit,', { tags: ['dairy', 'Visit'] }],
  ] as const)('%s set to “%s”', (column, text, expected) => {
    expect(set(column, text)).toMatchObject(expected);
  });

  it.each([
    ['kind', 'friend', 'Write Lead or Contact.'],
    ['rating', 'hot', 'Write Warm, Cold, or nothing.'],
    ['owner', 'nobody', 'No colleague is called so.'],
    ['owner', 'Idris Falconer', 'Several colleagues are called so.'],
    ['tags', 'x'.repeat(41), 'A tag has at most 40 characters.'],
  ] as const)('%s cannot be “%s”', (column, text, words_) => {
    expect(set(column, text)).toBe(words_);
  });

  it('is not emptied when nothing is left to find somebody by', () => {
    const only = { ...record, fields: { ...emptyPersonFields(), givenName: 'Corwin' } };
    expect(set('givenName', ' ', only)).toMatch(/Nothing would be left/);
  });

  it('with a number is not that of a fax', () => {
    const fax = { value: '+441632960199', kind: 'fax' as const, extension: '' };
    const faxed = { ...record, fields: { ...record.fields, phones: [fax, ...record.fields.phones] } };
    expect(set('phone', '07700 900512', faxed)).toMatchObject({
      fields: { phones: [fax, { value: '+447700900512', kind: 'mobile' }, { extension: '12' }] },
    });
  });

  it('written as it reads changes nothing', () => {
    for (const column of CELL_COLUMNS) expect(set(column, cellText(record, column, words))).toEqual(record);
  });
});

describe('what is pasted', () => {
  it.each([
    ['a\tb\r\nc\td\r\n', [['a', 'b'], ['c', 'd']]], // prettier-ignore
    ['one', [['one']]],
    ['a\n\nb', [['a'], [''], ['b']]],
    ['"two\nlines"\t"a ""word"""\n6" pipe', [['two\nlines', 'a "word"'], ['6" pipe']]], // prettier-ignore
    ['', [['']]],
  ])('%j', (text, cells) => expect(pastedCells(text)).toEqual(cells));

  it('reads whatever a spreadsheet writes', () => {
    const cell = fc.string({ unit: fc.constantFrom('a', ' ', '"', '\t', '\n', 'é') });
    const quoted = (text: string) => (/["\t\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);
    const rows = fc.array(fc.array(cell, { minLength: 2, maxLength: 3 }), { minLength: 1, maxLength: 4 });
    fc.assert(
      fc.property(rows, (cells) => {
        expect(pastedCells(`${cells.map((row) => row.map(quoted).join('\t')).join('\n')}\n`)).toEqual(cells);
      }),
    );
  });
});
