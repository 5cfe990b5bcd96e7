import { dueWords, here } from './dueWords';

/** A Monday. */
const NOW = new Date(2026, 10, 30, 14, 5);

it.each([
  ['2026-11-30', null, 'today'],
  ['2026-11-30', '18:00', 'today, 18:00'],
  ['2026-12-01', null, 'tomorrow'],
  ['2026-11-29', null, 'yesterday'],
  ['2026-12-04', '10:00', 'Friday, 10:00'],
  ['2026-12-24', null, '24 December'],
  ['2027-01-04', null, '4 January 2027'],
  ['2026-11-20', null, '20 November'],
  [null, null, ''],
])('%s %s is said as %j', (dueOn, dueTime, words) => expect(dueWords({ dueOn, dueTime }, NOW)).toBe(words));

it('says where one is', () => expect(here(NOW)).toEqual({ day: '2026-11-30', time: '14:05' }));
