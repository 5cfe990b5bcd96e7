import { hoursText, spansIn } from './hoursText';

describe('hours of a day', () => {
  it.each([
    ['9–12, 13:30–17', '09:00–12:00, 13:30–17:00'],
    ['8.30-16', '08:30–16:00'],
    ['9 to 17', '09:00–17:00'],
    ['20:00–24', '20:00–24:00'],
    ['', ''],
  ])('are read from “%s”', (typed, told) => expect(hoursText(spansIn(typed)!)).toBe(told));

  it.each(['morning', '12–9', '9–12, 11–13', '9–25', '9:75–10', '24–25', '9'])('are not read from “%s”', (typed) =>
    expect(spansIn(typed)).toBeUndefined(),
  );
});
