import { lackWords, lastedWords, moneyWords, sumWords, untouchedWords } from './words';

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
  [1000, 'less than an hour'],
  [3_600_000, '1 hour'],
  [47 * 3_600_000, '47 hours'],
  [48 * 3_600_000, '2 days'],
])('says how long %i milliseconds are', (ms, words) => expect(lastedWords(ms)).toBe(words));

it('says since when nobody did anything, and what is still to be found out', () => {
  const now = new Date('2026-03-24T10:00:00Z');
  expect(untouchedWords('2026-03-24T08:00:00Z', now)).toBe('Touched today');
  expect(untouchedWords('2026-03-12T08:00:00Z', now)).toBe('Untouched for 12 days');
  expect(lackWords([])).toBe('');
  expect(lackWords(['company', 'reach'])).toBe('Still to find out: a firm, an e-mail or phone');
});
