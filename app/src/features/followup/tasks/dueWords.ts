import { differenceInCalendarDays, format, isSameYear, parseISO } from 'date-fns';

/** "today", "tomorrow, 10:00", "Friday", "12 December": a day as it is said. */
export function dueWords(
  { dueOn, dueTime }: { dueOn: string | null; dueTime: string | null },
  now = new Date(),
): string {
  if (!dueOn) return '';
  const day = parseISO(dueOn);
  const days = differenceInCalendarDays(day, now);
  const words =
    days === 0
      ? 'today'
      : days === 1
        ? 'tomorrow'
        : days === -1
          ? 'yesterday'
          : days > 1 && days < 7
            ? format(day, 'EEEE')
            : format(day, isSameYear(day, now) ? 'd MMMM' : 'd MMMM yyyy');
  return dueTime ? `${words}, ${dueTime}` : words;
}

/** Where one is, for whoever asks the server. */
export const here = (now = new Date()): { day: string; time: string } => ({
  day: format(now, 'yyyy-MM-dd'),
  time: format(now, 'HH:mm'),
});
