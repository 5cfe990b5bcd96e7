import { trigramSimilarity } from './trigrams';

describe('the likeness of two texts by groups of three letters', () => {
  it('is what the database tells of them', () => {
    // As `select similarity(…)` of pg_trgm answers.
    expect(trigramSimilarity('word', 'two words')).toBeCloseTo(0.363636, 5);
    expect(trigramSimilarity('Harrowfield-Voss Nella', 'Harowfield Voss Nella')).toBeCloseTo(0.875, 5);
    expect(trigramSimilarity('Ærøskøbing', 'ærøskøbing')).toBe(1);
  });

  it('is nothing where there is nothing', () => {
    expect([trigramSimilarity('', ''), trigramSimilarity('...', 'abc')]).toEqual([0, 0]);
  });
});
