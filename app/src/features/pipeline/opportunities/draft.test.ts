import { amountOf, complaintsOf, emptyDraft } from './draft';

it.each([
  ['12400', 12_400],
  ['12,400', 12_400],
  ['12.400', 12_400],
  ['12 400,50', 12_400.5],
  ['12’400.50', 12_400.5],
  ['1,234,567', 1_234_567],
  ['99.5', 99.5],
  ['0,99', 0.99],
  ['12,40,0', undefined],
  ['-5', undefined],
  ['1.2345', undefined],
  ['much', undefined],
])('reads the amount %s as %s', (written, amount) => expect(amountOf(written)).toBe(amount));

it('says what is wrong with which field', () => {
  const draft = emptyDraft({ currency: 'EUR', stages: [{ id: 'a' }] } as never, 'Doors');
  expect(complaintsOf(draft)).toEqual({});
  const wrong = complaintsOf({ ...draft, title: ' ', value: 'much', currency: 'euro', chance: '101' });
  expect(Object.keys(wrong).sort()).toEqual(['chance', 'currency', 'title', 'value']);
});
