import { emptyPersonFields } from '../../people';
import {
  asTry,
  cellOf,
  handedOver,
  handOverSources,
  proposeRules,
  rulesFor,
  type HandedPerson,
  type HandOverRule,
  type OutsideField,
} from '.';

const person = (rest: Partial<HandedPerson> = {}): HandedPerson => ({
  id: '01900000-0000-7000-8000-000000000001',
  version: 3,
  fields: {
    ...emptyPersonFields(),
    prefix: 'Dr.',
    givenName: 'Nella',
    familyName: 'Harrowfield',
    title: 'Head of procurement',
    company: 'Harrowfield Dairies',
    emails: ['nella@harrowfield.example', 'n.h@quay.example'],
    phones: [
      { value: '+441632960117', kind: 'work', extension: '12' },
      { value: '+447700900651', kind: 'mobile', extension: '' },
      { value: '+441632960119', kind: 'fax', extension: '' },
    ],
    street: '9 Quay Road',
    postalCode: 'PE4 7QX',
    locality: 'Port Ellery',
    country: 'GB',
    more: [{ label: 'Shoe size', value: '38' }],
  },
  kind: 'lead',
  rating: 'Hot',
  tags: ['dairy', 'cold chain'],
  owner: 'Ottilie Brandt',
  occasions: ['Quayside fair'],
  notes: [{ text: 'Wants a visit.', author: 'Ottilie Brandt', at: new Date(Date.UTC(2026, 10, 28)) }],
  companyId: null,
  filedAt: new Date(Date.UTC(2026, 10, 27, 9, 30)),
  touchedAt: new Date(Date.UTC(2026, 10, 28)),
  nextOn: null,
  status: null,
  closed: null,
  qualifiedAt: null,
  link: 'https://dossier.example/people/1',
  pictureLink: null,
  companyRef: null,
  consents: ['email'],
  ...rest,
});
const rule = (to: string, from: string | string[], ...steps: HandOverRule['steps']): HandOverRule => ({ to, from: [from].flat(), fixed: null, steps, as: 'text' }); // prettier-ignore
const field = (name: string, rest: Partial<OutsideField> = {}): OutsideField => ({ name, label: name, type: 'text', required: false, longest: null, choices: [], ...rest }); // prettier-ignore
const one = (from: string | string[], ...steps: HandOverRule['steps']) => handedOver(person(), [rule('x', from, ...steps)], []); // prettier-ignore

describe('a person who is handed over', () => {
  it('becomes a record of the other system: joined, parted, looked up, in other words', () => {
    const rules: HandOverRule[] = [
      rule('CALLED', ['prefix', 'givenName', 'familyName'], { do: 'join', with: ' ' }),
      rule('SURNAME', 'familyName', { do: 'upper' }),
      rule('MAIL', 'emails', { do: 'first' }),
      rule('MAIL_HOST', 'emails', { do: 'first' }, { do: 'part', at: '@', take: -1 }),
      rule('LAND', 'country', { do: 'countryName', language: 'de' }),
      rule('GRADE', 'rating', { do: 'lookUp', rows: [{ from: 'hot', to: 'A' }, { from: 'Warm', to: 'B' }], otherwise: 'C' }), // prettier-ignore
      rule('SINCE', 'filedOn', { do: 'date', format: 'DD.MM.YYYY' }),
      { ...rule('SHOES', 'own:Shoe size'), as: 'number' },
      { ...rule('GROUPS', 'tags'), as: 'list' },
      { to: 'SOURCE', from: [], fixed: 'Card', steps: [], as: 'text' },
    ];
    const fields = [field('GROUPS', { type: 'list' }), field('SHOES', { type: 'number' })];
    expect(handedOver(person(), rules, fields)).toEqual({
      record: {
        CALLED: 'Dr. Nella Harrowfield',
        SURNAME: 'HARROWFIELD',
        MAIL: 'nella@harrowfield.example',
        MAIL_HOST: 'harrowfield.example',
        LAND: 'Vereinigtes Königreich',
        GRADE: 'A',
        SINCE: '27.11.2026',
        SHOES: 38,
        GROUPS: ['dairy', 'cold chain'],
        SOURCE: 'Card',
      },
      faults: [],
    });
  });

  it('leaves out what is not known, so that nothing is emptied there', () => {
    const { record } = handedOver(person({ rating: null, tags: [] }), [rule('GRADE', 'rating', { do: 'lookUp', rows: [], otherwise: 'C' }), rule('GROUPS', 'tags', { do: 'join', with: ';' }), rule('PICTURE', 'pictureLink')], []); // prettier-ignore
    expect(record).toEqual({});
  });

  it('has what keeps it from being sent said at the field', () => {
    const fields = [
      field('NAME', { longest: 8 }),
      field('GRADE', { type: 'choice', choices: ['A', 'B'] }),
      field('WANTED', { required: true }),
      field('COUNT', { type: 'number' }),
      field('SURE', { type: 'yesNo' }),
      field('LIST', { type: 'list' }),
    ];
    const rules: HandOverRule[] = [rule('NAME', 'familyName'), rule('GRADE', 'rating'), rule('WANTED', 'department'), { ...rule('COUNT', 'title'), as: 'number' }, { ...rule('SURE', 'kind'), as: 'yesNo' }, rule('LIST', 'tags'), rule('MISS', 'rating', { do: 'lookUp', rows: [], otherwise: null })]; // prettier-ignore
    const { faults, record } = handedOver(person(), rules, fields);
    expect(record).toEqual({});
    expect(Object.fromEntries(faults.map(({ to, fault }) => [to, fault]))).toEqual({
      NAME: 'This is 11 characters long; at most 8 are taken there.',
      GRADE: '“Hot” is none of what is possible there: A, B.',
      COUNT: '“Head of procurement” is no number.',
      SURE: '“lead” is neither yes nor no.',
      LIST: 'This is sent as text; a list is taken there.',
      MISS: '“Hot” stands in no row of the table.',
      WANTED: 'This must be there, and nothing is known for it.',
    });
  });

  it('is cut as readers count, and not within a character', () => {
    const flags = person({ notes: [{ text: '🇬🇧👩‍🌾é fine', author: '', at: new Date() }] });
    const cut = (length: number) => handedOver(flags, [rule('x', 'notes', { do: 'cut', length })], []).record.x;
    expect([cut(1), cut(2), cut(3), cut(5), cut(50)]).toEqual(['🇬🇧', '🇬🇧👩‍🌾', '🇬🇧👩‍🌾é', '🇬🇧👩‍🌾é f', '🇬🇧👩‍🌾é fine']);
  });

  it.each([
    [['phones'], '+441632960117 ext. 12, +447700900651'],
    [['faxes'], '+441632960119'],
    [['address'], '9 Quay Road, PE4 7QX Port Ellery, GB'],
    [['consents', 'kind'], 'email, lead'],
    [['nothing of that name'], undefined],
  ])('tells %j as %s', (from, value) => {
    expect(one(from).record.x).toBe(value);
  });

  it('knows each source by a key of its own, with the workspace’s own fields', () => {
    const sources = handOverSources(['Shoe size', 'Boat']);
    expect(new Set(sources.map(({ key }) => key)).size).toBe(sources.length);
    expect(sources.map(({ label }) => label)).toEqual(expect.arrayContaining(['Shoe size', 'Boat', 'Rating']));
  });
});

describe('which rules are somebody’s', () => {
  const [general, own] = [[rule('A', 'title')], [rule('B', 'title')]];
  const mapping = { lead: general, contact: [], occasions: [{ occasionId: 'fair', lead: own, contact: own }] };

  it('says the latest occasion that has rules of its own, else those for all', () => {
    expect(rulesFor(mapping, 'lead', [])).toBe(general);
    expect(rulesFor(mapping, 'lead', ['visit'])).toBe(general);
    expect(rulesFor(mapping, 'contact', ['visit', 'fair'])).toBe(own);
  });

  it('and where what stands there can be written', () => {
    const rules = [rule('A', 'title'), rule('B', 'emails', { do: 'first' }), rule('C', ['givenName', 'familyName'], { do: 'join', with: ' ' }), rule('D', 'title', { do: 'upper' }), rule('E', 'rating'), { ...rule('F', []), fixed: 'x' }]; // prettier-ignore
    expect(['A', 'B', 'C', 'D', 'E', 'F', 'G'].map((to) => cellOf(rules, to))).toEqual(['title', 'email', null, null, null, null, null]); // prettier-ignore
  });
});

describe('what is proposed for fields', () => {
  it('follows from what they are called, in whatever language, and fits them', () => {
    const fields = [field('f1', { label: 'Nachname', longest: 40 }), field('E-Mail'), field('LAND', { longest: 2 }), field('Marks', { label: 'Tags', type: 'list' }), field('email2', { label: 'E-mail 2' }), field('Vessel')]; // prettier-ignore
    expect(proposeRules(fields)).toEqual([
      rule('f1', 'familyName', { do: 'cut', length: 40 }),
      rule('E-Mail', 'emails', { do: 'first' }),
      rule('LAND', 'country', { do: 'countryCode' }),
      { ...rule('Marks', 'tags'), as: 'list' },
    ]);
  });
});

describe('somebody who is sent as a try', () => {
  it('says so, and is in the way of none', () => {
    const { fields } = asTry(person(), 'ab12');
    expect(fields.familyName).toBe('Harrowfield (a try)');
    expect(fields.emails.every((mail) => mail.endsWith('@dossier.invalid'))).toBe(true);
    expect(fields.phones).toEqual([]);
  });
});
