import { TZDate } from '@date-fns/tz';
import ICAL from 'ical.js';
import type { Interval } from './freeTimes';

/** What is no calendar, or none that can be reckoned with. */
export class NotACalendar extends Error {}

/** So often the rules of one calendar are followed; what asks for more is broken, or wants to be. */
const MOST_TURNS = 100_000;
const TOO_OFTEN = 'This calendar repeats more than can be followed.';
/** What repeats and takes longer than this is not seen from its end alone. */
const LONGEST_MS = 40 * 24 * 60 * 60 * 1000;

/**
 * When somebody is busy, as another calendar says (RFC 5545): repeated events are followed, with what was moved or left out of them;
 * what is marked as free or was called off takes no time.
 * @param window between which moments it is wanted
 * @param timeZone of times and days that name none, IANA
 * @throws NotACalendar
 */
export function busyTimes(text: string, window: Interval, timeZone: string): Interval[] {
  const calendar = parsed(text);
  const events = calendar.getAllSubcomponents('vevent');
  const moved = events.filter((event) => event.hasProperty('recurrence-id'));
  const turns = { left: MOST_TURNS };
  const found: Interval[] = [];
  for (const component of events) {
    if (component.hasProperty('recurrence-id') || !component.hasProperty('dtstart')) continue;
    const uid = component.getFirstPropertyValue('uid');
    const exceptions = moved.filter((one) => one.getFirstPropertyValue('uid') === uid);
    const event = new ICAL.Event(component, { exceptions });
    found.push(...(event.isRecurring() ? repeated(event, window, timeZone, turns) : once(event, timeZone)));
  }
  return found
    .filter(({ from, until }) => from < window.until && until > window.from)
    .sort((a, b) => a.from.getTime() - b.from.getTime());
}

function parsed(text: string): ICAL.Component {
  try {
    const calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
    if (calendar.name === 'vcalendar') return calendar;
  } catch {
    // Said below.
  }
  throw new NotACalendar('There is no calendar in this.');
}

type Occurrence = Pick<ICAL.Event, 'component' | 'startDate' | 'endDate'>;

function once({ component, startDate, endDate }: Occurrence, timeZone: string): Interval[] {
  if (!takesTime(component)) return [];
  const zone = zoneOf(component, timeZone);
  return [{ from: moment(startDate, zone), until: moment(endDate, zone) }];
}

/** The zone that an event names, where that is one of IANA's; calendars leave out what these say. */
function zoneOf(component: ICAL.Component, otherwise: string): string {
  const named = component.getFirstProperty('dtstart')?.getParameter('tzid');
  try {
    return new Intl.DateTimeFormat('en', { timeZone: String(named) }).resolvedOptions().timeZone;
  } catch {
    return otherwise;
  }
}

const takesTime = (component: ICAL.Component): boolean =>
  !/^transparent$/i.test(String(component.getFirstPropertyValue('transp') ?? '')) &&
  !/^cancelled$/i.test(String(component.getFirstPropertyValue('status') ?? ''));

function repeated(event: ICAL.Event, window: Interval, timeZone: string, turns: { left: number }): Interval[] {
  const found: Interval[] = [];
  const zone = zoneOf(event.component, timeZone);
  const rule = event.component.getFirstPropertyValue('rrule') as { freq?: string } | null;
  if (/^(?:SECOND|MINUTE)LY$/.test(rule?.freq ?? '')) throw new NotACalendar(TOO_OFTEN);
  const each = event.iterator();
  for (let next = each.next(); next; next = each.next()) {
    if (--turns.left < 0) throw new NotACalendar(TOO_OFTEN);
    // What is long over is passed over without reckoning its zone.
    if (Date.UTC(next.year, next.month - 1, next.day) < window.from.getTime() - LONGEST_MS) continue;
    if (moment(next, zone) >= window.until) break;
    const { startDate, endDate, item } = event.getOccurrenceDetails(next);
    found.push(...once({ component: item.component, startDate, endDate }, timeZone));
  }
  return found;
}

/** Times of a zone that the calendar describes are reckoned as it says; all others, and whole days, in `timeZone`. */
function moment(time: ICAL.Time, timeZone: string): Date {
  const { year, month, day, hour, minute, second, zone } = time;
  const isKnown = zone && zone !== ICAL.Timezone.localTimezone && !time.isDate;
  if (isKnown) return time.toJSDate();
  return new Date(new TZDate(year, month - 1, day, hour, minute, second, timeZone).getTime());
}
