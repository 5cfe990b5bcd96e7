import fc from 'fast-check';
import { addressLines, addressOrder } from './addressLines';

const parts = { street: '9 Quay Road', postalCode: 'PE4 7QX', locality: 'Port Ellery', region: '', country: 'GB' };

describe('an address', () => {
  it.each([
    ['GB', {}, ['9 Quay Road', 'Port Ellery', 'PE4 7QX']],
    ['IE', { region: 'Co. Cork' }, ['9 Quay Road', 'Port Ellery', 'Co. Cork', 'PE4 7QX']],
    ['US', { region: 'ME', postalCode: '04101' }, ['9 Quay Road', 'Port Ellery, ME 04101']],
    ['DE', { postalCode: '24103', locality: 'Kiel', street: 'Hafenstr. 9' }, ['Hafenstr. 9', '24103 Kiel']],
    [
      'IT',
      { postalCode: '16121', locality: 'Genova', region: 'GE', street: 'Via Roma 9' },
      ['Via Roma 9', '16121 Genova GE'],
    ],
    ['BR', { region: 'SP', postalCode: '01310-100' }, ['9 Quay Road', 'Port Ellery - SP', '01310-100']],
    ['', {}, ['9 Quay Road', 'PE4 7QX Port Ellery']],
  ])('of %s is written in its order', (country, more, lines) => {
    expect(addressLines({ ...parts, ...more, country })).toEqual(lines);
  });

  it('loses no part, whatever is missing, in whatever country', () => {
    const text = fc.constantFrom('', 'one', 'two');
    fc.assert(
      fc.property(
        fc.record({ street: text, postalCode: text, locality: text, region: text, country: fc.constantFrom('GB', 'US', 'DE', 'BR', 'HU', 'SG', 'JP', 'XX', '') }), // prettier-ignore
        (address) => {
          const words = addressLines(address).join(' ').split(/[\s,-]+/).filter(Boolean); // prettier-ignore
          const { country: _, ...own } = address;
          expect(words.sort()).toEqual(Object.values(own).filter(Boolean).sort());
        },
      ),
    );
  });

  it('has each part once in a form', () => {
    for (const country of ['GB', 'US', 'HU', 'SG', 'JP', 'XX'])
      expect([...addressOrder(country)].sort()).toEqual(['country', 'locality', 'postalCode', 'region', 'street']);
    expect(addressOrder('GB').slice(0, 4)).toEqual(['street', 'locality', 'region', 'postalCode']);
  });
});
