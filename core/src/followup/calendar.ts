import { TZDate } from '@date-fns/tz';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';

/** When somebody may be written to, where they are. */
export interface Calendar {
  /** IANA name, such as `Europe/London`. */
  timeZone: string;
  /** Local times, `HH:MM`, between which nothing is sent; may go over midnight; the same twice for never. */
  quiet: { from: string; to: string };
  /** Days of the week on which people work, 0 for Sunday. */
  workingDays: readonly number[];
  /** @param day `YYYY-MM-DD`, local */
  isHoliday: (day: string) => boolean;
  /** Whether something is sent on weekends and holidays too. */
  sendsOnDaysOff: boolean;
}

export interface Wait {
  amount: number;
  unit: 'hours' | 'days' | 'workingDays';
}

const HOUR_MS = 3_600_000;
/** No calendar is shut for longer: what would be is broken. */
const MOST_DAYS = 400;

const local = (at: Date, { timeZone }: Calendar): TZDate => new TZDate(at.getTime(), timeZone);
const minutesOf = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));
const plain = (date: Date): Date => new Date(date.getTime());

/** The local day of a moment, `YYYY-MM-DD`. */
export const dayOf = (at: Date, calendar: Calendar): string => format(local(at, calendar), 'yyyy-MM-dd');

const isDayOff = (at: Date, calendar: Calendar): boolean =>
  !calendar.workingDays.includes(local(at, calendar).getDay()) || calendar.isHoliday(dayOf(at, calendar));

const isClosed = (at: Date, calendar: Calendar): boolean => !calendar.sendsOnDaysOff && isDayOff(at, calendar);

/** Whether nothing is to be sent at that moment. */
export function isQuiet(at: Date, calendar: Calendar): boolean {
  if (isClosed(at, calendar)) return true;
  const here = local(at, calendar);
  const [now, from, to] = [here.getHours() * 60 + here.getMinutes(), minutesOf(calendar.quiet.from), minutesOf(calendar.quiet.to)]; // prettier-ignore
  return from <= to ? now >= from && now < to : now >= from || now < to;
}

/** The first moment from `at` on in which something may be sent. @throws RangeError for a calendar without one */
export function nextAwake(at: Date, calendar: Calendar): Date {
  let moment = at;
  for (let turn = 0; turn < MOST_DAYS * 2; turn++) {
    if (!isQuiet(moment, calendar)) return moment;
    const here = local(moment, calendar);
    // Of a day off nothing is waited for; of a night its end.
    const opens = isClosed(moment, calendar) ? 0 : minutesOf(calendar.quiet.to);
    const today = atMinute(here, opens, calendar);
    moment = today > moment ? today : atMinute(addDays(here, 1), opens, calendar);
  }
  throw new RangeError('There is no day on which anything may be sent.');
}

const atMinute = (day: Date, minute: number, { timeZone }: Calendar): Date =>
  plain(new TZDate(day.getFullYear(), day.getMonth(), day.getDate(), Math.floor(minute / 60), minute % 60, timeZone));

/** @returns the moment so long after `since`; days are counted where the person is, at the same time of day */
export function afterWait(since: Date, { amount, unit }: Wait, calendar: Calendar): Date {
  if (unit === 'hours') return new Date(since.getTime() + amount * HOUR_MS);
  let day = local(since, calendar);
  if (unit === 'days') return plain(addDays(day, amount));
  for (let left = amount, turns = 0; left > 0; turns++) {
    if (turns > MOST_DAYS) throw new RangeError('There is no day on which people work.');
    day = addDays(day, 1) as TZDate;
    if (!isDayOff(day, calendar)) left--;
  }
  return plain(day);
}
