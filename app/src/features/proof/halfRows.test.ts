import { halfRows } from './halfRows';

const row = (...names: string[]) => [...halfRows(names.map((field) => ({ id: field, field })) as never)];

describe('fields beside each other', () => {
  it('are two neighbours with short texts, in their order', () => {
    expect(row('givenName', 'familyName', 'title', 'company', 'postalCode', 'locality')).toEqual([
      'givenName',
      'familyName',
      'postalCode',
      'locality',
    ]);
  });

  it('leave none alone in half a row', () => {
    expect(row('prefix', 'givenName', 'familyName', 'title')).toEqual(['prefix', 'givenName']);
    expect(row('familyName', 'title', 'country')).toEqual([]);
  });
});
