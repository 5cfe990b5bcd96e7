import { addDays } from 'date-fns/addDays';
import { addMonths } from 'date-fns/addMonths';
import { addYears } from 'date-fns/addYears';
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';

export const REPEATS = ['daily', 'workingDays', 'weekly', 'monthly', 'yearly'] as const;
export type Repeat = (typeof REPEATS)[number];

const isWeekend = (day: Date): boolean => day.getDay() === 0 || day.getDay() === 6;
function nextWorkingDay(day: Date): Date {
  let next = addDays(day, 1);
  while (isWeekend(next)) next = addDays(next, 1);
  return next;
}
const STEP: Record<Repeat, (day: Date, times: number) => Date> = {
  daily: addDays,
  workingDays: (day, times) => (times <= 0 ? day : STEP.workingDays(nextWorkingDay(day), times - 1)),
  weekly: (day, times) => addDays(day, 7 * times),
  monthly: addMonths,
  yearly: addYears,
};
const MOST = 4000;

/** The next day of something that repeats, after both its last day and today. @param days `YYYY-MM-DD` */
export function nextDay(repeat: Repeat, dueOn: string, today: string): string {
  const first = parseISO(dueOn);
  for (let times = 1; times < MOST; times++) {
    const day = format(STEP[repeat](first, times), 'yyyy-MM-dd');
    if (day > today) return day;
  }
  return today;
}
