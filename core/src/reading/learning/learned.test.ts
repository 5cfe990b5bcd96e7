import { proposeFields, type FieldName, type Learned } from '..';
import { readingOf } from '../readingOf.testing';

const LEARNED: Learned = {
  firms: {
    'corvenhalle.example': {
      company: 'Halle Corven GmbH',
      phones: ['+493023125400'],
      addresses: [{ street: 'Speicherstraße 40', postalCode: '10117', locality: 'Berlin' }],
    },
  },
  titleWords: ['kellerwart'],
};

const proposals = (lines: readonly string[], learned?: Learned) => {
  const { fields } = proposeFields(readingOf(lines), { assumedCountry: 'DE', learned });
  return (field: FieldName) => fields.find((f) => f.field === field);
};

describe('using what a workspace has learned', () => {
  it('gives the filed spelling for a domain where no company is printed', () => {
    const card = ['Jannik Brüggemann', 'Braumeister', 'j.brueggemann@corvenhalle.example'];
    expect(proposals(card)('company')?.value).toBe('Corvenhalle');
    const company = proposals(card, LEARNED)('company');
    expect(company?.value).toBe('Halle Corven GmbH');
    expect(company?.reasons).toEqual([{ code: 'knownForDomain', said: 'corvenhalle.example' }]);
  });

  it('sets a misread or shouted spelling right and keeps what was read', () => {
    const company = proposals(
      ['HALLE CORVEM GMBH', 'Jannik Brüggemann', 'Braumeister', 'j.brueggemann@corvenhalle.example'],
      LEARNED,
    )('company');
    expect(company?.value).toBe('Halle Corven GmbH');
    expect(company?.runnersUp?.map((r) => r.value)).toContain('Halle Corvem GmbH');
  });

  it('leaves another firm alone', () => {
    const card = ['Quayside Roofing Ltd', 'Lucie Hilpert', 'lucie@quayside.example'];
    expect(proposals(card, LEARNED)('company')?.value).toBe('Quayside Roofing Ltd');
  });

  it('takes a word filed as a title for one', () => {
    const card = ['Kellerwart', 'Jannik Brüggemann', 'j.brueggemann@corvenhalle.example'];
    expect(proposals(card)('title')).toBeUndefined();
    expect(proposals(card, LEARNED)('title')?.value).toBe('Kellerwart');
  });

  it('sets a misread postal code of a known address right', () => {
    const card = ['Jannik Brüggemann', 'Speicherstraße 40', '10l77 Berlin', 'j.brueggemann@corvenhalle.example'];
    expect(proposals(card, LEARNED)('postalCode')?.value).toBe('10117');
  });
});
