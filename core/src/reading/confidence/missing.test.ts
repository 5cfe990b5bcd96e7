import { isDoubt, proposeFields, proposeSides } from '..';
import { readingOf, type PrintedLine } from '../readingOf.testing';

const missingOf = (...lines: readonly (string | PrintedLine)[]) =>
  proposeFields(readingOf(lines)).fields.filter(({ value }) => value === '');

const WHOLE = [{ text: 'Harrowfield Creamery Ltd', size: 50 }, 'Nella Voss', 'Head of Sales', 'T 020 7946 0812', 'nella.voss@harrowfield.example']; // prettier-ignore

it('nothing is missing on a card that says it all', () => {
  expect(missingOf(...WHOLE, 'ISO 9001:2015', 'VAT GB 123 4567 89')).toEqual([]);
});

it('the sign of a mailbox that none was made of is a doubt, with its line and what it says', () => {
  const [email, ...more] = missingOf(...WHOLE.slice(0, 4), 'Ø @ wrendale.n@corriers');
  expect(more).toEqual([]);
  expect(email).toMatchObject({ field: 'email', sources: [{ line: 4 }] });
  expect(isDoubt(email!)).toBe(true);
  expect(email!.runnersUp![0]!.value).toContain('wrendale.n@corriers');
});

it('a number that is none, behind its label, is a doubt', () => {
  const missing = missingOf(...WHOLE.slice(0, 3), 'Tel. 020 79', 'nella.voss@harrowfield.example');
  expect(missing.map(({ field }) => field)).toEqual(['phone']);
});

it('the line under the name may be the position', () => {
  const missing = missingOf({ text: 'Ovenworks Ltd', size: 50 }, 'Nella Voss', 'rund um Haus und Garten', 'nella.voss@ovenworks.example'); // prettier-ignore
  expect(missing).toMatchObject([{ field: 'title', runnersUp: [{ value: 'rund um Haus und Garten' }] }]);
});

it('what is left, the largest first, may be the firm where there is none', () => {
  const missing = missingOf('Nella Voss', 'Head of Sales', 'nella.voss@gmail.com', 'we never sleep');
  expect(missing).toMatchObject([{ field: 'company', runnersUp: [{ value: 'we never sleep' }] }]);
});

it('a number beside one that was found may be one that was not', () => {
  const missing = missingOf(...WHOLE.slice(0, 3), 'T 020 7946 0812 | M. 077', 'nella.voss@harrowfield.example');
  expect(missing.map(({ field }) => field)).toEqual(['phone']);
});

it('a position on a line with a number is one', () => {
  const missing = missingOf('CANYON HOME LENDING', 'Rhonda Voss', 'Phoenix, AZ 85016', 'Mortgage Advisor, NMLS 55182o | o. 602.555.0836 |', 'rhonda.voss@canyonhome.example'); // prettier-ignore
  expect(missing.map(({ field }) => field)).toContain('title');
});

it('a card with a name and no way to reach anybody lacks one, unless its other side has it', () => {
  const front = readingOf([WHOLE[0]!, 'Nella Voss', 'Head of Sales']);
  const [missing] = proposeFields(front).fields.filter(({ value }) => value === '');
  expect(missing).toMatchObject({ field: 'email', sources: [] });
  expect(isDoubt(missing!)).toBe(true);
  const { fields } = proposeSides(front, readingOf(['T +44 20 7946 0812']));
  expect(fields.filter(({ value }) => value === '')).toEqual([]);
});
