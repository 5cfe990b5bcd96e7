import { busyTimes, NotACalendar } from './busyTimes';

const WINDOW = { from: new Date('2026-11-30T00:00:00Z'), until: new Date('2026-12-14T00:00:00Z') };
const calendarOf = (...events: string[]): string =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Somebody//EN', ...events, 'END:VCALENDAR'].join('\r\n');
const event = (...lines: string[]): string => ['BEGIN:VEVENT', ...lines, 'END:VEVENT'].join('\r\n');
const told = (text: string, zone = 'Europe/London'): string[] =>
  busyTimes(text, WINDOW, zone).map(({ from, until }) => `${from.toISOString().slice(0, 16)} ${until.toISOString().slice(11, 16)}`); // prettier-ignore

describe('what another calendar says is taken', () => {
  it('is read from moments, from local times and from times of a zone', () => {
    const text = calendarOf(
      event('UID:1', 'DTSTART:20261201T090000Z', 'DTEND:20261201T100000Z'),
      event('UID:2', 'DTSTART:20261201T110000', 'DURATION:PT30M'),
      event('UID:3', 'DTSTART;TZID=Europe/Oslo:20261202T090000', 'DTEND;TZID=Europe/Oslo:20261202T093000'),
    );
    expect(told(text, 'America/New_York')).toEqual([
      '2026-12-01T09:00 10:00',
      '2026-12-01T16:00 16:30',
      '2026-12-02T08:00 08:30',
    ]);
  });

  it('follows what repeats, with what was moved and what was left out', () => {
    const text = calendarOf(
      event('UID:w', 'DTSTART:20261102T140000Z', 'DTEND:20261102T150000Z', 'RRULE:FREQ=WEEKLY', 'EXDATE:20261207T140000Z'),
      event('UID:w', 'RECURRENCE-ID:20261130T140000Z', 'DTSTART:20261130T160000Z', 'DTEND:20261130T163000Z'),
    ); // prettier-ignore
    expect(told(text)).toEqual(['2026-11-30T16:00 16:30']);
  });

  it('takes whole days, and nothing that is free or called off', () => {
    const text = calendarOf(
      event('UID:d', 'DTSTART;VALUE=DATE:20261203', 'DTEND;VALUE=DATE:20261204'),
      event('UID:t', 'DTSTART:20261204T090000Z', 'DTEND:20261204T100000Z', 'TRANSP:TRANSPARENT'),
      event('UID:c', 'DTSTART:20261204T110000Z', 'DTEND:20261204T120000Z', 'STATUS:CANCELLED'),
    );
    expect(told(text)).toEqual(['2026-12-03T00:00 00:00']);
  });

  it('refuses what is no calendar, and what repeats without an end to reckon', () => {
    expect(() => told('<html>Not found</html>')).toThrow(NotACalendar);
    expect(() => told(calendarOf(event('UID:s', 'DTSTART:19700101T000000Z', 'RRULE:FREQ=SECONDLY')))).toThrow(NotACalendar); // prettier-ignore
    expect(() => told(calendarOf(event('UID:h', 'DTSTART:19700101T000000Z', 'RRULE:FREQ=HOURLY')))).toThrow(NotACalendar); // prettier-ignore
  });
});
