import { readingOf } from '../readingOf.testing';
import { repairWords } from './repairWords';

/** A line of which one character is doubtful and may be another. */
const lineOf = (text: string, at: number, other: string, probability = 0.6) => {
  const line = readingOf([text]).lines[0]!;
  const alternatives = [
    { text: '%', probability: 0.2 },
    { text: other, probability: 0.15 },
  ];
  return { ...line, characters: line.characters.map((c, i) => (i === at ? { ...c, probability, alternatives } : c)) };
};

test.each([
  ['93 Tannery Rom', 13, 'W', '93 Tannery Row'],
  ['MARIC DUBOIS', 4, 'e', 'MARIE DUBOIS'],
  ['Harrowfield Transpcrt', 18, 'o', 'Harrowfield Transport'],
])('"%s" has a word that there is', (text, at, other, expected) =>
  expect(repairWords(lineOf(text, at, other)).text).toBe(expected),
);

test.each([
  ['Elduna Tomrer', 8, 'ö', 'Elduna Tømrer'],
  ['OSTRA HAMNGATAN 6', 0, 'G', 'ÖSTRA HAMNGATAN 6'],
])('"%s" has lost an accent', (text, at, other, expected) =>
  expect(repairWords(lineOf(text, at, other)).text).toBe(expected),
);

test.each([
  ['a sure letter', lineOf('93 Tannery Rom', 13, 'w', 0.95)],
  ['a known word', lineOf('93 Tannery Way', 13, 'w')],
  ['a word of its own without the accent', lineOf('General Manager', 1, 'é')],
  ['no word either way', lineOf('93 Tannery Rom', 13, 'b')],
  ['a lost accent that is sure', lineOf('Elduna Tomrer', 8, 'ö', 0.95)],
  ['an address', lineOf('ostra@harrowfield.example', 0, 'ö')],
])('%s stays', (_, line) => expect(repairWords(line)).toBe(line));
