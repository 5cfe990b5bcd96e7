import ICAL from 'ical.js';

export interface FeedTask {
  id: string;
  text: string;
  /** `YYYY-MM-DD`. */
  dueOn: string;
  /** `HH:MM`, without a zone: where whoever reads it is (RFC 5545, 3.3.5, form 1). */
  dueTime: string | null;
  about: string;
  /** Where it stands in Dossier. */
  url: string | null;
  changedAt: Date;
}

const MINUTES = 30;

/**
 * Tasks as a calendar that other programs subscribe to (RFC 5545; name and refreshing by RFC 7986). They are events, since most programs
 * show no to-dos of calendars they subscribe to.
 */
export function calendarFeed(name: string, tasks: readonly FeedTask[]): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Dossier//Tasks//EN');
  calendar.addPropertyWithValue('name', name);
  calendar.addPropertyWithValue('x-wr-calname', name);
  calendar
    .addPropertyWithValue('refresh-interval', ICAL.Duration.fromSeconds(15 * 60))
    .setParameter('value', 'duration');
  for (const task of tasks) calendar.addSubcomponent(eventOf(task));
  // RFC 5545, 3.1: lines end with CRLF, the last one too.
  return `${calendar.toString()}\r\n`;
}

function eventOf({ id, text, dueOn, dueTime, about, url, changedAt }: FeedTask): ICAL.Component {
  const event = new ICAL.Component('vevent');
  event.addPropertyWithValue('uid', `task-${id}@dossier`);
  event.addPropertyWithValue('dtstamp', ICAL.Time.fromJSDate(changedAt, true));
  const start = ICAL.Time.fromString(dueTime ? `${dueOn}T${dueTime}:00` : dueOn, null as never);
  event.addPropertyWithValue('dtstart', start);
  if (dueTime) event.addPropertyWithValue('duration', ICAL.Duration.fromSeconds(MINUTES * 60));
  event.addPropertyWithValue('summary', about ? `${text} (${about})` : text);
  if (url) event.addPropertyWithValue('url', url);
  event.addPropertyWithValue('transp', 'TRANSPARENT');
  return event;
}
