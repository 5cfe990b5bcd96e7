import { fitChoice, rightOf } from './jointChoice';
import type { Case } from './roleCases';

/** Places of weights: of an empty role, of a large line, and of a line right under another one. */
const [EMPTY, LARGE, UNDER] = [0, 1, 2];

const option = (features: readonly (readonly [number, number])[], isRight: boolean) => ({ features, isRight });

/** A card of a large line and a small one under it, which cannot both be the name. @param isLarge whether the large one is */
const card = (isLarge: boolean): Case => ({
  share: 1,
  options: {
    name: [option([[EMPTY, 1]], false), option([[LARGE, 1]], isLarge), option([], !isLarge)],
    company: [option([], true)],
    title: [option([], !isLarge), option([], isLarge)],
  },
  nameTitle: [[[], []], [[], [[UNDER, 1]]], [[], undefined]],
  nameCompany: [[[]], [[]], [[]]],
  companyTitle: [[[], []]],
}); // prettier-ignore

it('finds weights under which what is right is likeliest', () => {
  const cases = [card(true), card(true), card(true)];
  const none = new Float64Array(3);
  const fitted = fitChoice(cases, none, 0.01);
  expect(rightOf(cases, fitted)).toEqual({ name: 3, company: 3, title: 3, all: 3 });
  expect(fitted[LARGE]).toBeGreaterThan(0.5);
  expect(fitted[UNDER]).toBeGreaterThan(0.5);
  expect(fitted[EMPTY]).toBeLessThan(0);
});

it('stays near what was thought before where that costs more', () => {
  const before = Float64Array.from([0, 1, 0]);
  expect([...fitChoice([card(false)], before, 1_000)].map((weight, i) => Math.abs(weight - before[i]!) < 0.1)).toEqual([true, true, true]); // prettier-ignore
  expect(fitChoice([card(false)], before, 0.01)[LARGE]).toBeLessThan(0);
});

it('counts cards by how often they are', () => {
  const rare = [{ ...card(false), share: 0.1 }, card(true)];
  const fitted = fitChoice(rare, new Float64Array(3), 0.01);
  expect(rightOf([card(true)], fitted).name).toBe(1);
  expect(rightOf([card(false)], fitted).name).toBe(0);
  const often = [{ ...card(false), share: 10 }, card(true)];
  expect(rightOf([card(false)], fitChoice(often, new Float64Array(3), 0.01)).name).toBe(1);
});

it('gives the same weights each time', () => expect(fitChoice([card(true)], new Float64Array(3), 1, 20)).toEqual(fitChoice([card(true)], new Float64Array(3), 1, 20))); // prettier-ignore
