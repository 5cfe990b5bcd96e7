import { REPEATS } from '@dossier/core/followup/tasks';
import { z } from 'zod';
import { TimeZone } from './timeZone';

const Day = z.iso.date('Write the day as 2026-03-24.');
export const TimeOfDay = z.string().regex(/^(?:[01]\d|2[0-3]):[0-5]\d$/, 'Write the time as 14:30.');

export const Repeat = z.enum(REPEATS);

/** Something to do. */
const TaskShape = z.object({
  text: z.string().trim().min(1, 'Write what is to be done.').max(300),
  dueOn: Day.nullable().default(null),
  /** Local to whoever does it; null for any time of that day. */
  dueTime: TimeOfDay.nullable().default(null),
  repeat: Repeat.nullable().default(null),
  /** Whose it is; null for whoever makes it. */
  ownerId: z.uuid().nullable().default(null),
});
const withDay = <T extends typeof TaskShape>(shape: T) =>
  shape
    .refine(({ dueTime, dueOn }) => !dueTime || dueOn, { path: ['dueOn'], error: 'A time needs a day.' })
    .refine(({ repeat, dueOn }) => !repeat || dueOn, { path: ['dueOn'], error: 'What repeats needs a first day.' });

/** A task for a person; the same id twice is one task. */
export const TaskFields = withDay(TaskShape);
export type TaskFields = z.infer<typeof TaskFields>;
export const NewTask = withDay(
  TaskShape.extend({
    /** Made by the device, so that sending it twice makes one. */
    id: z.uuid().optional(),
    personId: z.uuid().nullable().default(null),
    companyId: z.uuid().nullable().default(null),
    opportunityId: z.uuid().nullable().default(null),
  }),
);
export type NewTask = z.infer<typeof NewTask>;

export const TaskKind = z.enum(['task', 'call', 'letter']);
export type TaskKind = z.infer<typeof TaskKind>;

export const Task = z.object({
  id: z.uuid(),
  kind: TaskKind,
  text: z.string(),
  dueOn: Day.nullable(),
  dueTime: TimeOfDay.nullable(),
  repeat: Repeat.nullable(),
  owner: z.object({ id: z.uuid(), name: z.string() }),
  person: z.object({ id: z.uuid(), fullName: z.string(), company: z.string() }).nullable(),
  company: z.object({ id: z.uuid(), name: z.string() }).nullable(),
  opportunity: z.object({ id: z.uuid(), title: z.string() }).nullable(),
  /** Of the plan that made it; null for one made by hand. */
  plan: z.string().nullable(),
  doneAt: z.iso.datetime().nullable(),
  /** Goes up with every change. */
  version: z.number().int(),
});
export type Task = z.infer<typeof Task>;

export const TaskQuery = z.object({
  whose: z.enum(['mine', 'team']).default('mine'),
  state: z.enum(['open', 'done']).default('open'),
  personId: z.uuid().optional(),
  companyId: z.uuid().optional(),
  opportunityId: z.uuid().optional(),
  cursor: z.string().max(200).optional(),
  limit: z.coerce.number().int().min(1).max(200).default(100),
});
export type TaskQuery = z.infer<typeof TaskQuery>;
export const TaskPage = z.object({ items: z.array(Task), next: z.string().nullable() });
export type TaskPage = z.infer<typeof TaskPage>;

/** What is left out stays as it is; refused when the task changed since that version. */
export const TaskEdit = TaskShape.partial().extend({ version: z.number().int().optional() });
export type TaskEdit = z.infer<typeof TaskEdit>;

/** When somebody wants their day by mail, where they are; null for not. */
export const Morning = z.object({
  at: TimeOfDay.nullable(),
  timeZone: TimeZone,
});
export type Morning = z.infer<typeof Morning>;

/** @property today the day where whoever does it is */
export const TaskDone = z.object({ today: Day.optional() }).default({});

/** A private address under which calendars find one's tasks; told once, when it is made. */
export const CalendarFeed = z.object({ madeAt: z.iso.datetime().nullable(), seenAt: z.iso.datetime().nullable() });
export type CalendarFeed = z.infer<typeof CalendarFeed>;
export const NewCalendarFeed = z.object({ path: z.string() });
export type NewCalendarFeed = z.infer<typeof NewCalendarFeed>;
