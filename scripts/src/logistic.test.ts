import { randomFrom } from '@dossier/demo/season';
import { fitDirected, fitLogistic, risingCurve, type Sample } from './logistic';

const sampled = (count: number, chance: (features: Sample['features']) => number): Sample[] => {
  const random = randomFrom(3);
  return Array.from({ length: count }, () => {
    const features = { sure: random.next(), odd: random.chance(0.3) ? 1 : 0 };
    return { features, right: random.chance(chance(features)) };
  });
};

it('finds the weights that the samples were drawn with', () => {
  const drawn = sampled(20_000, ({ sure, odd }) => 1 / (1 + Math.exp(-(0.5 + 2 * sure! - 1.5 * odd!))));
  const { bias, weights } = fitLogistic(drawn, 0.1);
  expect(bias).toBeCloseTo(0.5, 0);
  expect(weights.sure).toBeCloseTo(2, 0);
  expect(weights.odd).toBeCloseTo(-1.5, 0);
});

it('leaves out what counts the other way than it can', () => {
  const drawn = sampled(2_000, ({ sure }) => 0.9 - 0.4 * sure!);
  expect(Object.keys(fitLogistic(drawn, 1).weights).sort()).toEqual(['odd', 'sure']);
  expect(Object.keys(fitDirected(drawn, 1, { sure: 1 }).weights)).toEqual(['odd']);
});

it('stays small where everything was right', () => {
  const { weights } = fitLogistic(sampled(200, () => 1), 1); // prettier-ignore
  for (const weight of Object.values(weights)) expect(Math.abs(weight)).toBeLessThan(3);
});

it('a curve only rises, and says how often a score was right', () => {
  const random = randomFrom(5);
  const scored = Array.from({ length: 4_000 }, () => {
    const score = random.next() * 6 - 1;
    return { score, right: random.chance(1 / (1 + Math.exp(-score))) };
  });
  const curve = risingCurve(scored, 100);
  curve.slice(1).forEach(([score, right], i) => {
    expect(score).toBeGreaterThan(curve[i]![0]);
    expect(right).toBeGreaterThanOrEqual(curve[i]![1]);
  });
  for (const [score, right] of curve) expect(Math.abs(right - 1 / (1 + Math.exp(-score)))).toBeLessThan(0.12);
});
