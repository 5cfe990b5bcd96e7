import { withDoubtsOf, withMarksOf } from './compareReadings';

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

describe('marks above capitals', () => {
  it.each([
    ['BEGONA SANZ', 'BEGOÑA SANZ', 'BEGOÑA SANZ'],
    ['SLUSARCZYK', 'ŚŁUSARCZYK', 'ŚŁUSARCZYK'],
    ['OBERG CO.', 'ÖBERG CO', 'ÖBERG CO.'],
    ['ÖBERG', 'OBERG', 'ÖBERG'],
    ['HALL', 'BÄLL', 'HÄLL'],
  ])('of %s are taken from %s and nothing else: %s', (chosen, roomier, expected) => {
    const marked = withMarksOf(read(chosen), read(roomier, 0.95));
    expect(marked.map((c) => c.text).join('')).toBe(expected);
    expect(marked.map((c) => c.at)).toEqual(read(chosen).map((c) => c.at));
  });

  it('of two kinds the surer stands, with the other to choose', () => {
    const [letter] = withMarksOf(read('Ä', 0.8), read('Å', 0.9));
    expect(letter).toMatchObject({ text: 'Å', probability: 0.9, alternatives: [{ text: 'Ä' }] });
    expect(withMarksOf(read('Ä', 0.95), read('Å', 0.9))[0]).toMatchObject({ text: 'Ä' });
  });
});
