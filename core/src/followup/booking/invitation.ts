import ICAL from 'ical.js';

export interface Invitation {
  /** Stays the same when the talk is moved or called off. */
  id: string;
  /** Goes up with every change. */
  sequence: number;
  startsAt: Date;
  endsAt: Date;
  summary: string;
  place: string;
  /** Where it can be moved or called off; undefined where nobody can be led there. */
  url?: string;
  organizer: { name: string; address: string };
  attendee: { name: string; address: string };
  isCancelled: boolean;
  changedAt: Date;
}

/** An invitation that calendars take from a mail, or its calling off (RFC 5545, RFC 5546 sections 3.2.2 and 3.2.5). */
export function invitation(told: Invitation): { method: 'REQUEST' | 'CANCEL'; text: string } {
  const method = told.isCancelled ? 'CANCEL' : 'REQUEST';
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Dossier//Talks//EN');
  calendar.addPropertyWithValue('method', method);
  const event = new ICAL.Component('vevent');
  event.addPropertyWithValue('uid', `talk-${told.id}@dossier`);
  event.addPropertyWithValue('sequence', told.sequence);
  event.addPropertyWithValue('dtstamp', ICAL.Time.fromJSDate(told.changedAt, true));
  event.addPropertyWithValue('dtstart', ICAL.Time.fromJSDate(told.startsAt, true));
  event.addPropertyWithValue('dtend', ICAL.Time.fromJSDate(told.endsAt, true));
  event.addPropertyWithValue('summary', told.summary);
  event.addPropertyWithValue('status', told.isCancelled ? 'CANCELLED' : 'CONFIRMED');
  if (told.place) event.addPropertyWithValue('location', told.place);
  if (told.url) event.addPropertyWithValue('url', told.url);
  const organizer = event.addPropertyWithValue('organizer', `mailto:${told.organizer.address}`);
  organizer.setParameter('cn', parameter(told.organizer.name));
  const attendee = event.addPropertyWithValue('attendee', `mailto:${told.attendee.address}`);
  attendee.setParameter('cn', parameter(told.attendee.name));
  attendee.setParameter('role', 'REQ-PARTICIPANT');
  attendee.setParameter('partstat', 'ACCEPTED');
  calendar.addSubcomponent(event);
  return { method, text: `${calendar.toString()}\r\n` };
}

/** What may stand between quotes in a parameter (RFC 5545, 3.2): no quotes and no control characters. */
// eslint-disable-next-line no-control-regex -- what no parameter has
const parameter = (text: string): string => text.replace(/["\u0000-\u001f\u007f]+/g, ' ').trim();
