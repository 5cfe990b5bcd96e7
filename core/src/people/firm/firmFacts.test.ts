import { emptyPersonFields, type PersonFields } from '../personFields';
import { firmFacts } from '.';

const person = (fields: Partial<PersonFields>): PersonFields => ({ ...emptyPersonFields(), ...fields });
const work = (value: string, extension = '') => ({ value, kind: 'work' as const, extension });

describe('what is known of a firm', () => {
  const { domains, phones, websites, addresses } = firmFacts([
    person({
      emails: ['corwin@brackwater.example', 'corwin.s@gmail.com'],
      phones: [work('+441632960100', '12'), { value: '+447700900417', kind: 'mobile', extension: '' }],
      websites: ['https://www.brackwater.example/'],
      street: '4 Quay Road',
      postalCode: 'PE4 2QR',
      locality: 'Port Ellery',
      country: 'GB',
    }),
    person({
      emails: ['ines@mail.brackwater.example', 'ines@brackwater.example'],
      phones: [work('+441632960100', '15'), work('+441632960177')],
      websites: ['brackwater.example'],
      street: '4, Quay Road',
      postalCode: 'PE4 2QR',
      locality: 'Port Ellery',
    }),
    person({}),
  ]);

  it('is what its people share, each counted once', () => {
    expect(domains).toEqual([{ value: 'brackwater.example', people: 2 }]);
    expect(websites).toEqual([{ value: 'https://www.brackwater.example/', people: 2 }]);
    expect(addresses).toEqual([
      { value: { street: '4 Quay Road', postalCode: 'PE4 2QR', locality: 'Port Ellery', region: '', country: 'GB' }, people: 2 }, // prettier-ignore
    ]);
  });

  it('has its switchboard first, without extensions and without anybody’s own telephone', () => {
    expect(phones).toEqual([
      { value: '+441632960100', people: 2 },
      { value: '+441632960177', people: 1 },
    ]);
  });

  it('is nothing where nobody works', () => {
    expect(firmFacts([])).toEqual({ domains: [], phones: [], websites: [], addresses: [] });
  });
});
