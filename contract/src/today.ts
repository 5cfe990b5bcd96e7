import { z } from 'zod';
import { Message } from './messages';
import { Task } from './tasks';

const Who = z.object({ id: z.uuid(), fullName: z.string(), company: z.string() });

/** One thing that needs whoever asks, with its one obvious act. */
export const TodayItem = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('task'), isLate: z.boolean(), task: Task }),
  z.object({ kind: z.literal('answer'), person: Who, message: Message.pick({ id: true, at: true, subject: true, text: true }) }), // prettier-ignore
  z.object({ kind: z.literal('message'), person: Who, message: Message.pick({ id: true, at: true, subject: true, state: true, problem: true }) }), // prettier-ignore
  /** A step of a plan that is not let through. */
  z.object({ kind: z.literal('held'), person: Who, enrolmentId: z.uuid(), plan: z.string(), words: z.string(), since: z.iso.datetime() }), // prettier-ignore
  /** Open business past the day on which it was expected, or with nothing to be done about it. */
  z.object({
    kind: z.literal('opportunity'),
    why: z.enum(['past', 'noStep']),
    opportunity: z.object({ id: z.uuid(), title: z.string(), company: z.string(), expectedOn: z.string().nullable() }),
  }),
  z.object({ kind: z.literal('lead'), person: Who, untouchedSince: z.iso.datetime() }),
]);
export type TodayItem = z.infer<typeof TodayItem>;

export const TodayQuery = z.object({
  /** The day where whoever asks is. */
  day: z.iso.date().optional(),
  time: z
    .string()
    .regex(/^\d\d:\d\d$/)
    .optional(),
});
export type TodayQuery = z.infer<typeof TodayQuery>;
export const Today = z.object({
  day: z.iso.date(),
  items: z.array(TodayItem),
  /** Cards that wait to be proved or for a person. */
  toProve: z.number().int(),
  /** Done today by whoever asks. */
  done: z.number().int(),
  /** More leads than are shown. */
  moreLeads: z.number().int(),
});
export type Today = z.infer<typeof Today>;

/** How soon the people of an occasion were written to. */
export const OccasionFollowUp = z.object({
  people: z.number().int(),
  withinDay: z.number().int(),
  withinWeek: z.number().int(),
  later: z.number().int(),
  never: z.number().int(),
  answered: z.number().int(),
});
export type OccasionFollowUp = z.infer<typeof OccasionFollowUp>;
