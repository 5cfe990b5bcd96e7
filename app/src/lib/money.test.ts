import { amountOf, moneyWords, sumWords } from './money';

it('says amounts with their currency, to the second place where there is something there', () => {
  expect([moneyWords(12_400, 'EUR'), moneyWords(0.5, 'GBP'), moneyWords(1_234_567.25, 'NOK')]).toEqual([
    'EUR 12,400',
    'GBP 0.50',
    'NOK 1,234,567.25',
  ]);
  const sums = [
    { currency: 'EUR', value: 100, weighted: 30 },
    { currency: 'NOK', value: 50, weighted: 5 },
  ];
  expect([sumWords(sums, 'value'), sumWords(sums, 'weighted'), sumWords([], 'value')]).toEqual([
    'EUR 100 + NOK 50',
    'EUR 30 + NOK 5',
    'nothing yet',
  ]);
});

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
