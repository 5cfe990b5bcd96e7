import ICAL from 'ical.js';
import { calendarFeed } from './calendarFeed';
import { nextDay, snoozedTo } from './tasks';
import { typedTask } from './typedTask';

/** A Monday. */
const NOW = new Date(2026, 10, 30, 14, 0);

describe('typed words', () => {
  it.each([
    ['call Friday 10', 'call', '2026-12-04', '10:00'],
    ['send seal prices tomorrow 9', 'send seal prices', '2026-12-01', '09:00'],
    ['visit 3 Dec 14', 'visit', '2026-12-03', '14:00'],
    ['visit December 12', 'visit', '2026-12-12', null],
    ['call tomorrow 30', 'call 30', '2026-12-01', null],
    ['order 12', 'order 12', null, null],
    ['Send drawings tomorrow', 'Send drawings', '2026-12-01', null],
    ['visit on 12 December at 14:30', 'visit', '2026-12-12', '14:30'],
    ['Ring about the seal', 'Ring about the seal', null, null],
    ['Friday', 'Friday', '2026-12-04', null],
    ['offer for 3 doors in two weeks', 'offer for 3 doors', '2026-12-14', null],
    ['visit on 3 March', 'visit', '2027-03-03', null],
  ])('%j', (words, text, dueOn, dueTime) => expect(typedTask(words, NOW)).toEqual({ text, dueOn, dueTime }));
  it('in another language', () => {
    expect(typedTask('Anrufen morgen um 9 Uhr', NOW, 'de')).toMatchObject({ dueOn: '2026-12-01', dueTime: '09:00' });
    expect(typedTask('Anrufen am 3.12. um 9', NOW, 'de')).toMatchObject({ dueOn: '2026-12-03', dueTime: '09:00' });
    expect(typedTask('Besuch 4.2.', NOW, 'de')).toEqual({ text: 'Besuch', dueOn: '2027-02-04', dueTime: null });
    for (const [words, language] of [['bellen morgen 9', 'nl'], ['llamar mañana 9', 'es'], ['ligar amanhã 9', 'pt'], ['appeler demain 9', 'fr']] as const) // prettier-ignore
      expect([words, typedTask(words, NOW, language)]).toMatchObject([words, { dueOn: '2026-12-01', dueTime: '09:00' }]); // prettier-ignore
  });
});

it('what is put off comes back when it was said', () => {
  expect(snoozedTo('evening', NOW)).toEqual({ dueOn: '2026-11-30', dueTime: '18:00' });
  expect(snoozedTo('evening', new Date(2026, 10, 30, 19, 0))).toEqual({ dueOn: '2026-12-01', dueTime: '18:00' });
  expect(snoozedTo('tomorrow', NOW)).toEqual({ dueOn: '2026-12-01', dueTime: null });
  expect(snoozedTo('monday', NOW)).toEqual({ dueOn: '2026-12-07', dueTime: null });
  expect(snoozedTo('nextWeek', NOW)).toEqual({ dueOn: '2026-12-07', dueTime: null });
});

it.each([
  ['daily', '2026-11-30', '2026-11-30', '2026-12-01'],
  ['daily', '2026-11-20', '2026-11-30', '2026-12-01'],
  ['workingDays', '2026-12-04', '2026-12-04', '2026-12-07'],
  ['weekly', '2026-11-30', '2026-12-15', '2026-12-21'],
  ['monthly', '2027-01-31', '2027-01-31', '2027-02-28'],
  ['yearly', '2028-02-29', '2028-03-01', '2029-02-28'],
] as const)('what repeats %s from %s, done on %s, is there again on %s', (repeat, dueOn, today, next) => {
  expect(nextDay(repeat, dueOn, today)).toBe(next);
});

describe('the calendar feed', () => {
  const task = {
    id: '1',
    text: 'Ring; "seal", \\ dock\nBEGIN:VEVENT',
    dueOn: '2026-12-04',
    dueTime: '10:00',
    about: 'Łucja Ostrężna',
    url: 'https://dossier.keldermoss.example/people/1',
    changedAt: new Date('2026-11-30T10:00:00Z'),
  };
  it('is read back by a reader of calendars, hostile words and all', () => {
    const text = calendarFeed('Dossier: Ottilie', [task, { ...task, id: '2', dueTime: null, url: null, about: '' }]);
    const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
    expect(events.map(({ summary }) => summary)).toEqual([`${task.text} (Łucja Ostrężna)`, task.text]);
    expect(events.map(({ startDate }) => startDate.toString())).toEqual(['2026-12-04T10:00:00', '2026-12-04']);
    expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
    expect(text.endsWith('END:VCALENDAR\r\n')).toBe(true);
  });
});
