import { TZDate } from '@date-fns/tz';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';

/** Local times of a day, `HH:MM`; `24:00` is its end. */
export interface Span {
  from: string;
  to: string;
}

/** What is taken, from its first moment to its last, which is not in it any more. */
export interface Interval {
  from: Date;
  until: Date;
}

/** When somebody may be booked. */
export interface BookingRules {
  /** IANA name of where they are. */
  timeZone: string;
  /** Length of a talk; one may begin every so many minutes from the start of a span. */
  minutes: number;
  /** Between one thing and the next. */
  bufferMinutes: number;
  /** How long before its beginning a talk can still be booked. */
  noticeHours: number;
  daysAhead: number;
  /** By day of the week, 0 for Sunday. */
  hours: readonly (readonly Span[])[];
  /** @param day `YYYY-MM-DD`, where they are */
  isDayOff: (day: string) => boolean;
}

const MINUTE_MS = 60_000;
const minutesOf = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));

/** All beginnings of talks that rules and time leave, whatever else is in the way. */
function offered(rules: BookingRules, now: Date): Date[] {
  const { timeZone, minutes, noticeHours, daysAhead, hours, isDayOff } = rules;
  const soonest = now.getTime() + noticeHours * 60 * MINUTE_MS;
  const today = new TZDate(now.getTime(), timeZone);
  const found: Date[] = [];
  for (let ahead = 0; ahead <= daysAhead; ahead++) {
    const day = addDays(today, ahead);
    if (isDayOff(format(day, 'yyyy-MM-dd'))) continue;
    for (const { from, to } of hours[day.getDay()] ?? [])
      for (let minute = minutesOf(from); minute + minutes <= minutesOf(to); minute += minutes) {
        const start = new TZDate(day.getFullYear(), day.getMonth(), day.getDate(), Math.floor(minute / 60), minute % 60, timeZone); // prettier-ignore
        // In the night in which clocks go forward some times do not exist.
        if (start.getHours() * 60 + start.getMinutes() !== minute) continue;
        if (start.getTime() >= soonest) found.push(new Date(start.getTime()));
      }
  }
  return found.sort((a, b) => a.getTime() - b.getTime());
}

/** Whether a talk that begins then leaves the buffer to everything that is taken. */
export const isFree = (start: Date, { minutes, bufferMinutes }: Pick<BookingRules, 'minutes' | 'bufferMinutes'>, taken: readonly Interval[]): boolean => {
  const from = start.getTime() - bufferMinutes * MINUTE_MS;
  const until = start.getTime() + (minutes + bufferMinutes) * MINUTE_MS;
  return !taken.some((one) => one.from.getTime() < until && one.until.getTime() > from);
}; // prettier-ignore

/** When a talk may begin, in order. @param taken bookings, and what stands in other calendars, in any order */
export const freeTimes = (rules: BookingRules, taken: readonly Interval[], now: Date): Date[] =>
  offered(rules, now).filter((start) => isFree(start, rules, taken));

/** The free times nearest to one that is not free (any more): what is offered in its place. @returns at most `most`, in order */
export const firstFree = (free: readonly Date[], wanted: Date, most: number): Date[] =>
  [...free]
    .sort((a, b) => Math.abs(a.getTime() - wanted.getTime()) - Math.abs(b.getTime() - wanted.getTime()))
    .slice(0, most)
    .sort((a, b) => a.getTime() - b.getTime());
