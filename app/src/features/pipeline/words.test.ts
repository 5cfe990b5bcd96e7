import { lackWords, lastedWords, untouchedWords } from './words';

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
