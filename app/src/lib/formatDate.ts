import { format, isSameYear, isToday, isYesterday } from 'date-fns';

/** "today, 14:05", "yesterday, 9:12", "3 March", "3 March 2024": as within a sentence. */
export function formatWhen(iso: string, now = new Date()): string {
  const date = new Date(iso);
  if (isToday(date)) return `today, ${format(date, 'H:mm')}`;
  if (isYesterday(date)) return `yesterday, ${format(date, 'H:mm')}`;
  return format(date, isSameYear(date, now) ? 'd MMMM' : 'd MMMM yyyy');
}

/** "3 March 2024" for a day written as 2024-03-03, wherever one is. */
export const formatDay = (day: string): string => format(new Date(`${day}T12:00:00`), 'd MMMM yyyy');

/** "today, 14:05", "3 Mar", "3 Mar 2024": where there is little room. */
export function formatWhenShort(iso: string, now = new Date()): string {
  const date = new Date(iso);
  if (isToday(date) || isYesterday(date)) return formatWhen(iso, now);
  return format(date, isSameYear(date, now) ? 'd MMM' : 'd MMM yyyy');
}
