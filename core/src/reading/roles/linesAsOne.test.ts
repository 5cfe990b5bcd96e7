import type { FieldName } from '../proposal';
import { proposeFields } from '../proposeFields';
import { fieldsOf, readingOf } from '../readingOf.testing';

describe('a name or a position over some lines', () => {
  it('reads a name on in capitals over the position in small letters', () => {
    const { one } = fieldsOf([
      { text: 'IMELDA QUARTEY', size: 40 },
      { text: 'VANTONGEREN', size: 40 },
      'Purchasing Agent',
      '4 Patrick Street',
      'Bath BA1 1UN',
      'imelda@quillhouse-foods.example',
    ]);
    expect(['givenName', 'middleName', 'familyName'].map((field) => one(field as FieldName))).toEqual([
      'Imelda',
      'Quartey',
      'Vantongeren',
    ]);
    expect(one('title')).toBe('Purchasing Agent');
  });

  it('doubts a name between which and the position a word stands', () => {
    const { fields } = proposeFields(
      readingOf(['Imelda Quartey', 'Vantongeren', 'Buyer', 'iquartey@quillhouse-foods.example']),
    );
    const [family, title] = ['familyName', 'title'].map((wanted) => fields.find(({ field }) => field === wanted)!);
    expect(title!.value).toBe('Buyer');
    expect(family).toMatchObject({ value: 'Quartey', disagreement: { code: 'perhapsPart', said: 'Vantongeren' } });
    expect(family!.runnersUp!.map(({ value }) => value)).toContain('Quartey Vantongeren');
    expect(family!.confidence).toBeLessThan(0.8);
  });

  it.each([
    [['Montserrat', 'Vantongeren', 'Buyer', 'montse@quillhouse-foods.example'], 'Montserrat', 'Vantongeren', undefined],
    [['IMELDA QUARTEY MVB', 'MRCVS', 'Veterinary Surgeon', 'iquartey@quillvets.example'], 'Imelda', 'Quartey', 'MVB'],
    [['IMELDA QUARTEY B.AGR.SC.', 'Agronomist', 'iquartey@quill.example'], 'Imelda', 'Quartey', 'B.AGR.SC.'],
  ])('reads the name of %p', (lines, given, family, suffix) => {
    const { one, fields } = fieldsOf(lines);
    expect([one('givenName'), one('familyName'), one('suffix')]).toEqual([given, family, suffix]);
    expect(fields.find(({ field }) => field === 'familyName')!.disagreement).toBeUndefined();
  });

  it.each([
    ['in small letters under capitals', { text: 'IMELDA QUARTEY', size: 50 }, { text: 'Capocantiere', size: 42 }],
    ['in narrower type', { text: 'Imelda Quartey', size: 50 }, { text: 'Capocantiere', size: 32 }],
  ])('ends a name before a word %s', (_how, name, below) => {
    const { one } = fieldsOf([name, below, 'Via Roma 4', '25065 Lumezzane', 'i@quillhouse.example']);
    expect([one('familyName'), one('title')]).toEqual(['Quartey', 'Capocantiere']);
  });

  it('reads a firm on under its trade in other letters', () => {
    const mark = [
      { text: 'Construcciones', size: 40 },
      { text: 'ARRIETA', size: 55 },
    ];
    expect(fieldsOf([...mark, 'Mateo Arrieta', 'Jefe de Obra', 'mateo@arrieta.example']).one('company')).toBe(
      'Construcciones ARRIETA',
    );
  });

  it('takes a trade before a word for a position for no firm', () => {
    const service = { text: 'Commercial', x: 700, y: 400 };
    const printed = ['Nella Voss', 'Refrigeration Technician', 'nella@quillhouse.example', service];
    expect(fieldsOf(printed).one('title')).toBe('Refrigeration Technician');
  });

  it('joins a position that has no room on one line', () =>
    expect(fieldsOf(['Nella Voss', 'Hydroturbinenwicklungs', 'Technician', 'nella@voss.example']).one('title')).toBe(
      'Hydroturbinenwicklungs Technician',
    ));
});
