import type { Import } from '@dossier/contract';
import { namesOf, withName } from './ColumnsChoice';
import { countWords, stateWords } from './importWords';

describe('the columns of a table', () => {
  const all = {
    people: 2,
    columns: ['givenName', 'familyName', 'email1'].map((key) => ({ key, header: key, about: '' })),
  };

  it('are all of them until one is left out, in their order, under other names where somebody wishes', () => {
    const without = withName(all, namesOf(all, []), 'givenName', undefined);
    expect(without).toEqual(['familyName', 'email1']);
    const named = withName(all, namesOf(all, without), 'email1', 'Mail = address');
    expect(named).toEqual(['familyName', 'email1=Mail = address']);
    expect(namesOf(all, named).get('email1')).toBe('Mail = address');
    expect(withName(all, namesOf(all, ['email1', 'familyName']), 'givenName', '')).toEqual([]);
  });

  it('are never none', () => {
    expect(withName(all, namesOf(all, ['email1']), 'email1', undefined)).toEqual(['email1']);
  });
});

describe('a file that is brought in', () => {
  const counts = { created: 1, updated: 0, unchanged: 1200, perhaps: 2, refused: 0, conflicts: 1 };

  it('says what became of its rows, and nothing that is not there', () => {
    expect(countWords(counts)).toEqual(['1 person new', '1,200 people as they are', '2 people perhaps known', '1 row changed here as well']); // prettier-ignore
  });

  it('says how far it is', () => {
    const at = (state: Import['state'], rest: object = {}) => stateWords({ state, dry: false, done: 50, rows: 1203, kept: 0, ...rest }); // prettier-ignore
    expect(at('running')).toBe('Bringing in: 50 of 1,203 rows');
    expect(at('running', { dry: true })).toBe('Looking: 50 of 1,203 rows');
    expect(at('cancelled')).toBe('Stopped after 50 of 1,203 rows');
    expect(at('undone', { kept: 1 })).toBe('Taken back, but 1 person changed since');
  });
});
