import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import { nextMonday } from 'date-fns/nextMonday';

export type Snooze = 'evening' | 'tomorrow' | 'monday' | 'nextWeek';
const EVENING = 18;

/** When something comes back that is put off. @param now in local time */
export function snoozedTo(snooze: Snooze, now: Date): { dueOn: string; dueTime: string | null } {
  const on = (day: Date, dueTime: string | null = null) => ({ dueOn: format(day, 'yyyy-MM-dd'), dueTime });
  switch (snooze) {
    case 'evening':
      return now.getHours() < EVENING ? on(now, `${EVENING}:00`) : on(addDays(now, 1), `${EVENING}:00`);
    case 'tomorrow':
      return on(addDays(now, 1));
    case 'monday':
      return on(nextMonday(now));
    case 'nextWeek':
      return on(addDays(now, 7));
  }
}
