import fc from 'fast-check';
import { readingOf, type PrintedLine } from '../readingOf.testing';
import { repairTwins } from './repairTwins';

const repaired = (lines: (string | PrintedLine)[]) => repairTwins(readingOf(lines).lines).map(({ text }) => text);
const unsure = (text: string): PrintedLine => ({ text, probability: 0.98 });

test.each([
  ['a firm called after its owner', ['Gunnar Fryklöf', unsure('FRYKLOFS BYGG')], 'FRYKLÖFS BYGG'],
  ['an owner as the firm is spelled', ['Möbel Krüger', unsure('Anna Kruger')], 'Anna Krüger'],
  ['a sure letter', ['Les Vergers de Brézolles', '28270 Brezolles'], '28270 Brezolles'],
  ['an address', ['Gunnar Fryklöf', unsure('fryklof@bygg.example')], 'fryklof@bygg.example'],
  ['another word', ['Gunnar Fryklöf', unsure('Fryklofslund')], 'Fryklofslund'],
  ['a short word', ['Åsa Bår', unsure('Bar')], 'Bar'],
])('accents of a twin: %s', (_, lines, expected) => expect(repaired(lines)[1]).toBe(expected));

test('capitals that keep their marks have lost them, however sure the letter was', () => {
  const lines = readingOf(['Szymon Gąsieniasz', 'AGRO-MECHANIKA GASIENIASZ']).lines;
  expect(repairTwins(lines, 'PL')[1]!.text).toBe('AGRO-MECHANIKA GĄSIENIASZ');
  expect(repairTwins(lines, 'ES')[1]!.text).toBe('AGRO-MECHANIKA GASIENIASZ');
  expect(repairTwins(readingOf(['Szymon Gąsieniasz', 'Gasieniasz Agro']).lines, 'PL')[1]!.text).toBe('Gasieniasz Agro');
});

test('every character keeps its place, whatever the lines are', () => {
  const word = fc.stringMatching(/^[a-zäöåéñ]{4,8}$/);
  fc.assert(
    fc.property(fc.array(fc.array(word, { minLength: 1, maxLength: 3 }), { maxLength: 5 }), (cards) => {
      const lines = cards.map((words) => words.join(' '));
      expect(repaired(lines.map(unsure)).map((text) => text.length)).toEqual(lines.map((text) => text.length));
    }),
  );
});
