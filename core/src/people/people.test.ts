import {
  addressLines,
  changesBetween,
  displayName,
  emptyPersonFields,
  fieldText,
  formatPhone,
  fullName,
  sortName,
  type PersonFields,
} from '.';

const asa: PersonFields = {
  ...emptyPersonFields(),
  givenName: 'Åsa',
  middleName: 'M.',
  familyName: 'Lüdersen',
  company: 'Fjällkyl',
  emails: ['asa@fjallkyl.example'],
  phones: [
    { value: '+46701740633', kind: 'mobile', extension: '' },
    { value: '+46313900621', kind: 'work', extension: '12' },
  ],
  street: 'Hamngatan 8',
  postalCode: '411 06',
  locality: 'Göteborg',
  country: 'SE',
};

describe('a person', () => {
  it('is called by the name, else by the company, else by an address', () => {
    expect(fullName(asa)).toBe('Åsa M. Lüdersen');
    expect(displayName({ ...emptyPersonFields(), company: 'Fjällkyl', emails: ['a@b.example'] })).toBe('Fjällkyl');
    expect(displayName({ ...emptyPersonFields(), phones: asa.phones })).toBe('+46701740633');
    expect(displayName(emptyPersonFields())).toBe('');
  });

  it('is sorted by family name, without accents', () => {
    expect(sortName(asa)).toBe('ludersen asa m.');
  });

  it('has an address in the order of its country', () => {
    expect(addressLines(asa)).toEqual(['Hamngatan 8', '411 06 Göteborg']);
    expect(addressLines({ ...asa, country: 'GB', locality: 'Port Ellery', postalCode: 'PE4 7QX' })).toEqual([
      'Hamngatan 8',
      'Port Ellery',
      'PE4 7QX',
    ]);
    expect(addressLines(emptyPersonFields())).toEqual([]);
  });

  it('has numbers as people write them', () => {
    expect(formatPhone('+441632960117')).toBe('+44 1632 960117');
    expect(formatPhone('ask at the gate')).toBe('ask at the gate');
    expect(formatPhone('+44 1632 960117 ask for Sam', '5')).toBe('+44 1632 960117 ask for Sam ext. 5');
  });

  it('has a history of what changed, and of nothing else', () => {
    expect(fieldText(asa, 'phones')).toBe('+46701740633 (mobile), +46313900621 ext. 12 (work)');
    expect(changesBetween(asa, asa)).toEqual([]);
    expect(changesBetween(asa, { ...asa, title: 'Inköpschef', emails: [] })).toEqual([
      { field: 'title', before: '', after: 'Inköpschef' },
      { field: 'emails', before: 'asa@fjallkyl.example', after: '' },
    ]);
  });
});
