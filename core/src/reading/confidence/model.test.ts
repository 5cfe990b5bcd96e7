import { calibrated, fittedConfidence, scoreOf } from './model';
import type { Weights } from './models';
import { WEIGHTS } from './weights';

const MODEL: Weights = {
  title: { bias: 2, weights: { known: 1, unsure: -3 }, curve: [[0, 0.5], [2, 0.9], [4, 0.99]] }, // prettier-ignore
};

it('a score is what its features are worth', () => {
  expect(scoreOf({ known: 1, unsure: 0.5, unheardOf: 7 }, MODEL.title!)).toBe(1.5);
});

it('between two points of the curve confidence goes straight, beyond them it stays', () => {
  const of = (score: number) => calibrated(score, MODEL.title!.curve);
  expect([of(-9), of(0), of(1), of(2), of(9)]).toEqual([0.5, 0.5, 0.7, 0.9, 0.99]);
});

it('fields that nothing was fitted for are left to the rule for the others', () => {
  expect(fittedConfidence('title', { known: 1 }, MODEL)).toBeCloseTo(0.945);
  expect(fittedConfidence('country', { known: 1 }, MODEL)).toBeUndefined();
});

describe('the weights that ship', () => {
  it.each(Object.entries(WEIGHTS))('rise with what a score was right for: %s', (_, { curve, weights }) => {
    expect(curve.length).toBeGreaterThan(1);
    for (const [i, [score, right]] of curve.entries()) {
      expect(right).toBeGreaterThan(0);
      expect(right).toBeLessThan(1);
      if (i > 0) expect([score > curve[i - 1]![0], right >= curve[i - 1]![1]]).toEqual([true, true]);
    }
    // A letter that the engine is surer of is never a reason to believe a value less.
    expect(weights.leastSure ?? 0).toBeGreaterThanOrEqual(0);
  });
});
