import { draftOf, noteOf, personFieldsOf } from '../../proof';
import { cardOfVisitor, type Visitor } from './visitor';

const VISITOR: Visitor = {
  givenName: 'TOVE',
  familyName: 'MCARDLE',
  title: 'Buyer',
  company: 'Harrow Quay Dairy',
  email: 'Tove@HarrowQuay.example',
  phone: '01632 960 204 ext. 12',
  words: 'Our dock seal leaks.\nCall me on Friday.',
};

describe('a card that a visitor wrote', () => {
  it('has each field as it was written into, ready to be filed', () => {
    const { fields } = cardOfVisitor(VISITOR, 'GB');
    const draft = draftOf(fields);
    expect(personFieldsOf(draft)).toMatchObject({
      givenName: 'Tove',
      familyName: 'McArdle',
      title: 'Buyer',
      company: 'Harrow Quay Dairy',
      emails: ['tove@harrowquay.example'],
      phones: [{ value: '+441632960204', extension: '12', kind: 'work' }],
    });
    expect(noteOf(draft)).toBe(VISITOR.words);
  });

  it('shows where everything stands on its sheet', () => {
    const { reading, fields } = cardOfVisitor(VISITOR, 'GB');
    for (const { sources } of fields) {
      const [{ line, from, to }] = sources as [(typeof sources)[number]];
      expect(reading.lines[line]!.text.slice(from, to)).not.toBe('');
    }
  });

  it('has no field for what was left empty', () => {
    const { reading, fields } = cardOfVisitor({ ...VISITOR, title: ' ', phone: '', words: '' }, 'GB');
    expect(fields.map(({ field }) => field)).toEqual(['givenName', 'familyName', 'company', 'email']);
    expect(reading.lines).toHaveLength(4);
  });

  it('leaves a name as it was written where its letters are large and small', () => {
    const { fields } = cardOfVisitor({ ...VISITOR, familyName: 'van der Wijk' }, 'GB');
    expect(fields.find(({ field }) => field === 'familyName')!.value).toBe('van der Wijk');
  });
});
