import { proposeSides, type FieldName } from '.';
import { draftOf, personFieldsOf } from '../proof';
import { readingOf } from './readingOf.testing';

const FRONT = readingOf([
  'Harrowfield Creamery',
  { text: 'Nella Harrowfield-Voss', size: 48 },
  'Head of Cold Chain',
  'nella@harrowfield.example',
]);

const sides = (back: string[]) => {
  const { fields } = proposeSides(FRONT, readingOf(back), { assumedCountry: 'GB' });
  const all = (field: FieldName) => fields.filter((f) => f.field === field);
  return { all, one: (field: FieldName) => all(field)[0] };
};

describe('proposing for both sides of a card', () => {
  it('takes from the back what the front does not say, and says where it stands', () => {
    const card = sides(['9 Quay Road', 'Port Ellery PE4 7QX', 'T 01632 960 117']);
    expect(card.one('postalCode')).toMatchObject({ value: 'PE4 7QX', sources: [{ line: 1, side: 'back' }] });
    expect(card.all('phone').map((f) => f.value)).toEqual(['+441632960117']);
    expect(card.one('company')!.sources[0]!.side).toBeUndefined();
  });

  it('keeps an address that stands on both sides once', () => {
    expect(sides(['nella@harrowfield.example', 'www.harrowfield.example']).all('email')).toHaveLength(1);
  });

  it('offers a second wording beside the front’s', () => {
    const title = sides(['Nella Harrowfield-Voss', 'Leiterin Kühlkette']).one('title')!;
    expect(title.value).toBe('Head of Cold Chain');
    expect(title.runnersUp?.map((r) => r.value)).toContain('Leiterin Kühlkette');
  });

  it('offers what else stands there as a note', () => {
    const note = sides(['call back next week', 'wants 40 units', 'Harrowfield Creamery']).one('note')!;
    expect(note.value).toBe('call back next week\nwants 40 units');
    expect(note.sources.every((s) => s.side === 'back')).toBe(true);
  });

  it('makes no note of an empty back', () => {
    expect(sides([]).one('note')).toBeUndefined();
  });

  it('proposes the address of another office whole, beside the front’s', () => {
    const front = readingOf([
      'Harrowfield Creamery',
      { text: 'Nella Harrowfield-Voss', size: 48 },
      'Head of Cold Chain',
      '9 Quay Road',
      'Port Ellery PE4 7QX',
    ]);
    const back = readingOf(['Works', '14 Mill Lane', 'Tarnmoor TM2 4RD', 'T 01632 960 117']);
    const { fields } = proposeSides(front, back, { assumedCountry: 'GB' });
    const office = fields.filter(({ label }) => label === 'Other office');
    expect(office.map(({ field, value }) => [field, value])).toEqual(
      expect.arrayContaining([
        ['street', '14 Mill Lane'],
        ['locality', 'Tarnmoor'],
        ['postalCode', 'TM2 4RD'],
      ]),
    );
    expect(office.every(({ sources }) => sources.every(({ side }) => side === 'back'))).toBe(true);
    expect(fields.find(({ field }) => field === 'street')).toMatchObject({ value: '9 Quay Road' });
    expect(fields.find(({ field }) => field === 'street')!.runnersUp).toBeUndefined();
    expect(personFieldsOf(draftOf(fields))).toMatchObject({
      street: '9 Quay Road',
      more: [{ label: 'Other office', address: { street: '14 Mill Lane', postalCode: 'TM2 4RD' } }],
    });
  });
});
