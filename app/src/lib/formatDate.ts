import { format, isSameYear, isToday, isYesterday } from 'date-fns';

/** "Today, 14:05", "Yesterday, 9:12", "3 March", "3 March 2024". */
export function formatWhen(iso: string, now = new Date()): string {
  const date = new Date(iso);
  if (isToday(date)) return `Today, ${format(date, 'H:mm')}`;
  if (isYesterday(date)) return `Yesterday, ${format(date, 'H:mm')}`;
  return format(date, isSameYear(date, now) ? 'd MMMM' : 'd MMMM yyyy');
}
