import { z } from 'zod';
import { OutsideAddress } from './outsideAddress';
import { TimeOfDay } from './tasks';
import { TimeZone } from './timeZone';

const Day = z.iso.date('Write the day as 2026-03-24.');

/** Part of a day; `24:00` is its end. */
export const DaySpan = z
  .object({ from: TimeOfDay, to: z.union([TimeOfDay, z.literal('24:00')]) })
  .refine(({ from, to }) => from < to, { path: ['to'], error: 'It ends before it begins.' });
export type DaySpan = z.infer<typeof DaySpan>;

const DaySpans = z
  .array(DaySpan)
  .max(4, 'At most four parts of a day.')
  .refine((spans) => spans.every(({ from }, i) => i === 0 || spans[i - 1]!.to <= from), 'Write them in order, apart.');

/** When somebody of the team lets others book a talk. */
export const BookingFields = z.object({
  isOn: z.boolean(),
  minutes: z.number().int().min(5, 'At least 5 minutes.').max(240, 'At most 4 hours.').default(30),
  bufferMinutes: z.number().int().min(0).max(120, 'At most 2 hours.').default(0),
  noticeHours: z.number().int().min(0).max(336, 'At most two weeks.').default(4),
  daysAhead: z.number().int().min(1, 'At least a day.').max(90, 'At most 90 days.').default(21),
  timeZone: TimeZone,
  /** By day of the week, Sunday first. */
  hours: z.array(DaySpans).length(7),
  /** Whether public holidays of the team's country are days off. */
  holidays: z.boolean().default(true),
  daysOff: z
    .array(
      z.object({ from: Day, to: Day }).refine(({ from, to }) => from <= to, {
        path: ['to'],
        error: 'The last day lies before the first.',
      }),
    )
    .max(60)
    .default([]),
  /** Where one meets: in the invitation. */
  place: z.string().trim().max(200, 'Use at most 200 characters.').default(''),
  /** Address of another calendar (iCalendar) that is kept free of; left out, it stays as it is; empty for none. */
  busyUrl: z
    .union([z.literal(''), z.string().trim().transform((text) => text.replace(/^webcals?:/i, 'https:')).pipe(OutsideAddress)])
    .optional(),
}); // prettier-ignore
export type BookingFields = z.infer<typeof BookingFields>;

/** A talk that somebody has booked. */
export const Booking = z.object({
  id: z.uuid(),
  startsAt: z.iso.datetime(),
  endsAt: z.iso.datetime(),
  name: z.string(),
  email: z.string(),
  phone: z.string(),
  words: z.string(),
  person: z.object({ id: z.uuid(), fullName: z.string() }).nullable(),
  /** The card in the tray of whoever was not known. */
  cardId: z.uuid().nullable(),
  /** What became of the confirmation; null where there is nobody to send from. */
  mail: z.enum(['waiting', 'sent', 'uncertain', 'refused']).nullable(),
});
export type Booking = z.infer<typeof Booking>;

export const BookingStanding = BookingFields.omit({ busyUrl: true }).extend({
  /** Where others book; null while there is no page, or it is off. */
  path: z.string().nullable(),
  /** The other calendar: whose machine it is on, when it was looked at, what went wrong. */
  busy: z.object({ host: z.string(), seenAt: z.iso.datetime().nullable(), problem: z.string().nullable() }).nullable(),
  /** The next free times. */
  free: z.array(z.iso.datetime()),
  /** What is to come. */
  coming: z.array(Booking),
});
export type BookingStanding = z.infer<typeof BookingStanding>;
