import { lessonsOf } from '..';
import { readingOf } from '../readingOf.testing';

const FILED = {
  title: 'Kellerwart',
  company: 'Halle Corven GmbH',
  emails: ['j.brueggemann@mail.corvenhalle.example'],
  websites: [],
  phones: [
    { value: '+493023125400', kind: 'work' },
    { value: '+4915112345678', kind: 'mobile' },
  ],
  street: 'Speicherstraße 40',
  postalCode: '10117',
  locality: 'Berlin',
};
const kindsOf = (filed: Partial<typeof FILED>, lines: string[] = ['Kellerwart']) =>
  lessonsOf({ ...FILED, ...filed }, readingOf(lines)).map((l) => [l.kind, l.domain, l.key]);

describe('what a filed card teaches', () => {
  it('teaches spelling, office number and address of the firm behind the domain, and a new word for a position', () => {
    expect(kindsOf({})).toEqual([
      ['company', 'corvenhalle.example', 'Halle Corven GmbH'],
      ['phone', 'corvenhalle.example', '+493023125400'],
      ['address', 'corvenhalle.example', 'speicherstrasse4010117berlin'],
      ['title', '', 'kellerwart'],
    ]);
  });

  it('teaches nothing about a firm from a free-mail address', () => {
    expect(kindsOf({ emails: ['jannik@gmail.com'], title: '' })).toEqual([]);
  });

  it('teaches no word that is known, or that is not printed on the card', () => {
    const titles = (title: string, lines: string[]) => kindsOf({ title, emails: [] }, lines).map(([, , key]) => key);
    expect(titles('Sales Manager', ['Sales Manager'])).toEqual([]);
    expect(titles('Kellerwart', ['Jannik Brüggemann'])).toEqual([]);
  });
});
