import { inDays, percent, spreadWords, tookWords } from './words';

it.each([
  [20, '1 minute'],
  [40 * 60, '40 minutes'],
  [5.5 * 3600, '5.5 hours'],
  [47 * 3600, '47 hours'],
  [3 * 86_400, '3 days'],
])('says how long %s seconds are', (seconds, words) => expect(tookWords(seconds)).toBe(words));

it('says what is usual, and how much it differs', () => {
  expect(spreadWords({ number: 9, low: 3600 * 5, middle: 86_400 * 2, high: 86_400 * 4 })).toBe('2 days; half of them between 5 hours and 4 days'); // prettier-ignore
  expect(spreadWords(null)).toBe('nothing to measure yet');
  expect([percent(1, 3), percent(0, 0), inDays(129_600)]).toEqual([33.3, 0, 1.5]);
});
