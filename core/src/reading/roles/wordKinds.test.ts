import { KINDS, kindsOfWord, type WordKind } from './wordKinds';

const likeliest = (word: string): WordKind => {
  const kinds = kindsOfWord(word);
  return KINDS[kinds.indexOf(Math.max(...kinds))]!;
};

it.each([
  ['Kundenbetreuer', 'title'],
  ['Skipper', 'title'],
  ['Sommelière', 'title'],
  ['Marjolena', 'name'],
  ['Metallwerkstatt', 'trade'],
])('%s is by its letters most likely a %s', (word, kind) => expect(likeliest(word)).toBe(kind));

it('shares a word out among the kinds, whatever its case and accents', () => {
  for (const word of ['Sommelière', 'x', '', '№', 'Ľubomíra']) {
    const kinds = kindsOfWord(word);
    expect(kinds.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1);
    expect(kinds.every((one) => one >= 0)).toBe(true);
  }
  expect(kindsOfWord('SOMMELIERE')).toEqual(kindsOfWord('sommelière'));
});
