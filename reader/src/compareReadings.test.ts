import { withDoubtsOf } from './compareReadings';

const read = (text: string, probability = 0.99) =>
  [...text].map((character, i) => ({ text: character, probability, alternatives: [], at: i / text.length }));
const doubted = (chosen: string, other: string) =>
  withDoubtsOf(read(chosen), read(other, 0.9))
    .map((c) => (c.probability < 0.9 ? `[${c.text}${c.alternatives.map((a) => `|${a.text}`).join('')}]` : c.text))
    .join('');

describe('comparing two readings of a line', () => {
  it.each([
    ['Hodkiewicz', 'Hodkiewicz', 'Hodkiewicz'],
    ['Hodkiewicz', 'Hodkiewic3', 'Hodkiewic[z|3]'],
    ['Kautzer', 'Kauwtzer', 'Kautzer'],
    ['Kauwtzer', 'Kautzer', 'Kau[w]tzer'],
    ['Rath', '', '[R][a][t][h]'],
  ])('of %s and %s doubts what differs: %s', (chosen, other, expected) => {
    expect(doubted(chosen, other)).toBe(expected);
  });

  it('gives probabilities that are still probabilities', () => {
    for (const { probability, alternatives } of withDoubtsOf(read('abc'), read('xbz'))) {
      expect(probability + alternatives.reduce((sum, a) => sum + a.probability, 0)).toBeLessThanOrEqual(1 + 1e-9);
    }
  });
});
