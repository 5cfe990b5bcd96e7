import { LACKS, PARTS } from '@dossier/core/pipeline';
import { z } from 'zod';
import { anyOf } from './anyOf';
import { Task } from './tasks';
import { TimeZone } from './timeZone';

const text = (max: number) => z.string().trim().max(max);
const Day = z.iso.date('Write the day as 2026-03-24.');
/** ISO 4217. */
export const Currency = z.string().regex(/^[A-Z]{3}$/, 'Write the currency as three letters, such as EUR.');
/** In units of its currency, to the second place behind the point. */
export const Amount = z
  .number()
  .min(0, 'Write an amount of nothing or more.')
  .max(999_999_999_999, 'This is more than can be kept.')
  .refine(
    (value) => Math.abs(value * 100 - Math.round(value * 100)) < 1e-4,
    'Write at most two places behind the point.',
  );
const Percent = z.number().int().min(0, 'Write 0 to 100.').max(100, 'Write 0 to 100.');
const Word = text(60).min(1, 'Write a word.');
const Words = z
  .array(Word)
  .max(30, 'Keep at most 30.')
  .refine((all) => new Set(all.map((one) => one.toLowerCase())).size === all.length, 'Each stands here once.');

export const StageFields = z.object({
  id: z.uuid(),
  name: text(60).min(1, 'Give the stage a name.'),
  chance: Percent,
  staleDays: z.number().int().min(1, 'Write a day or more.').max(999).nullable(),
});
export type StageFields = z.infer<typeof StageFields>;

/** How this team follows leads and business: its words, stages, goals and rates. */
export const PipelineSettings = z.object({
  /** In their order. */
  stages: z.array(StageFields).min(1, 'Keep at least one stage.').max(12, 'Keep at most twelve stages.'),
  leadStatuses: Words,
  closeReasons: Words,
  winReasons: Words,
  lossReasons: Words,
  /** What business is about. */
  products: Words,
  currency: Currency,
  /** What one unit of another currency is worth in that one. */
  rates: z
    .array(z.object({ currency: Currency, rate: z.number().positive('Write more than nothing.').max(1e9) }))
    .max(40)
    .refine(
      (all) => new Set(all.map(({ currency }) => currency)).size === all.length,
      'Each currency stands here once.',
    ),
  /** What is wanted in a month, in the workspace's currency. */
  goals: z.array(z.object({ month: z.string().regex(/^\d{4}-(?:0[1-9]|1[0-2])$/), value: Amount })).max(120),
  /** After so many days a lead that nobody touched stands in Today. */
  untouchedDays: z.number().int().min(1).max(365),
  /** Whose figures reps see: their own beside the team's sums, or everybody's. */
  figures: z.enum(['own', 'all']),
  /** Days and months of figures are those of this place. */
  timeZone: TimeZone,
});
export type PipelineSettings = z.infer<typeof PipelineSettings>;

export const Part = z.enum(PARTS);
const Somebody = z.object({ id: z.uuid(), name: z.string() });

const OpportunityPerson = z.object({ personId: z.uuid(), part: Part });
export const OpportunityFields = z.object({
  title: text(200).min(1, 'Write what it is called.'),
  companyId: z.uuid().nullable().default(null),
  /** Null as long as nobody knows. */
  value: Amount.nullable().default(null),
  currency: Currency,
  expectedOn: Day.nullable().default(null),
  /** Null for that of its stage. */
  chance: Percent.nullable().default(null),
  about: z.array(Word).max(30).default([]),
  /** Null for whoever makes it. */
  ownerId: z.uuid().nullable().default(null),
  occasionId: z.uuid().nullable().default(null),
  people: z
    .array(OpportunityPerson)
    .max(40, 'At most forty people.')
    .refine((all) => new Set(all.map(({ personId }) => personId)).size === all.length, 'Each person stands here once.')
    .default([]),
});
export type OpportunityFields = z.infer<typeof OpportunityFields>;
export const NewOpportunity = OpportunityFields.extend({
  /** Made by the device, so that sending it twice makes one. */
  id: z.uuid().optional(),
  /** Null for the first. */
  stageId: z.uuid().nullable().default(null),
});
export type NewOpportunity = z.infer<typeof NewOpportunity>;
export const OpportunityEdit = OpportunityFields.extend({ version: z.number().int() });
export type OpportunityEdit = z.infer<typeof OpportunityEdit>;

export const OpportunityState = z.enum(['open', 'won', 'lost']);
export type OpportunityState = z.infer<typeof OpportunityState>;

/** A piece of business as lists show it. */
export const ListedOpportunity = z.object({
  id: z.uuid(),
  title: z.string(),
  company: Somebody.nullable(),
  stageId: z.uuid(),
  state: OpportunityState,
  value: z.number().nullable(),
  currency: z.string(),
  /** Percent: its own, that of its stage, or what is certain. */
  chance: z.number().int(),
  expectedOn: z.string().nullable(),
  owner: Somebody,
  stageSince: z.iso.datetime(),
  endedAt: z.iso.datetime().nullable(),
  isStale: z.boolean(),
  /** What is to be done next about it. */
  next: z.object({ text: z.string(), dueOn: z.string().nullable() }).nullable(),
  people: z.number().int(),
  version: z.number().int(),
});
export type ListedOpportunity = z.infer<typeof ListedOpportunity>;

const Narrowed = z.object({
  owner: anyOf(z.uuid()),
  occasion: anyOf(z.uuid()),
  /** Of the people who have to do with it. */
  tag: anyOf(Word),
});
export const BoardQuery = Narrowed;
export type BoardQuery = z.infer<typeof BoardQuery>;

const Sum = z.object({ currency: z.string(), value: z.number(), weighted: z.number() });
/** What is open, by stage. */
export const Board = z.object({
  columns: z.array(
    z.object({
      stage: StageFields,
      /** Of all in it, also of those who are not shown. */
      count: z.number().int(),
      sums: z.array(Sum),
      items: z.array(ListedOpportunity),
    }),
  ),
  /** All of it in the workspace's currency, and the currencies of which it has no rate. */
  together: z.object({ sum: Sum, without: z.array(z.string()) }),
});
export type Board = z.infer<typeof Board>;

export const OpportunityOrder = z.enum(['expected', 'value', 'since', 'title']);
export const OpportunityQuery = Narrowed.extend({
  q: z.string().trim().max(120).default(''),
  state: anyOf(OpportunityState),
  stage: anyOf(z.uuid()),
  companyId: z.uuid().optional(),
  personId: z.uuid().optional(),
  /** First and last day of when it is expected, or was won or lost. */
  from: Day.optional(),
  to: Day.optional(),
  sort: OpportunityOrder.default('expected'),
  cursor: z.string().max(400).optional(),
  limit: z.coerce.number().int().min(1).max(100).default(50),
});
export type OpportunityQuery = z.infer<typeof OpportunityQuery>;
export const OpportunityPage = z.object({
  items: z.array(ListedOpportunity),
  total: z.number().int(),
  sums: z.array(Sum),
  next: z.string().nullable(),
});
export type OpportunityPage = z.infer<typeof OpportunityPage>;

/** All of a list as a table. */
export const BusinessTakenQuery = OpportunityQuery.omit({ cursor: true, limit: true }).extend({
  format: z.enum(['csv', 'xlsx']),
});
export type BusinessTakenQuery = z.infer<typeof BusinessTakenQuery>;

/** One thing that was done with it. */
export const OpportunityAct = z.object({
  id: z.uuid(),
  at: z.iso.datetime(),
  by: z.string(),
  kind: z.enum(['made', 'moved', 'changed', 'won', 'lost', 'reopened']),
  /** Where it was afterwards. */
  stage: z.string(),
  changes: z.array(z.object({ field: z.string(), before: z.string(), after: z.string() })),
});
export type OpportunityAct = z.infer<typeof OpportunityAct>;

export const Opportunity = ListedOpportunity.omit({ people: true }).extend({
  ownChance: z.number().int().nullable(),
  about: z.array(z.string()),
  occasion: Somebody.nullable(),
  people: z.array(z.object({ personId: z.uuid(), fullName: z.string(), title: z.string(), company: z.string(), part: Part })), // prettier-ignore
  endReason: z.string().nullable(),
  endWords: z.string(),
  madeAt: z.iso.datetime(),
  notes: z.array(
    z.object({ id: z.uuid(), text: z.string(), author: z.string(), authorId: z.uuid(), at: z.iso.datetime() }),
  ),
  files: z.array(z.object({ id: z.uuid(), name: z.string(), type: z.string(), bytes: z.number().int(), by: z.string(), at: z.iso.datetime() })), // prettier-ignore
  tasks: z.array(Task),
  history: z.array(OpportunityAct),
  /** How long it was in which stage, in milliseconds; the last one lasts. */
  stays: z.array(z.object({ stage: z.string(), state: OpportunityState, from: z.iso.datetime(), until: z.iso.datetime().nullable(), ms: z.number() })), // prettier-ignore
});
export type Opportunity = z.infer<typeof Opportunity>;

export const OpportunityMove = z.object({ stageId: z.uuid(), version: z.number().int() });
export type OpportunityMove = z.infer<typeof OpportunityMove>;
/** Won or lost, with why in the workspace's words; open again. */
export const OpportunityEnd = z.discriminatedUnion('state', [
  z.object({ state: z.literal('won'), reason: text(60).nullable().default(null), words: text(1000).default(''), version: z.number().int() }), // prettier-ignore
  z.object({ state: z.literal('lost'), reason: text(60).min(1, 'Say why.'), words: text(1000).default(''), version: z.number().int() }), // prettier-ignore
  z.object({ state: z.literal('open'), version: z.number().int() }),
]);
export type OpportunityEnd = z.infer<typeof OpportunityEnd>;
export const OpportunityNote = z.object({
  id: z.uuid().optional(),
  text: text(4000).min(1, 'Write what there is to note.'),
});
export const FileName = z.object({ name: text(200).min(1) });

/** Leads to work through. */
export const LeadOrder = z.enum(['untouched', 'next', 'filed', 'name']);
export const LeadQuery = z.object({
  owner: anyOf(z.uuid()),
  occasion: anyOf(z.uuid()),
  status: anyOf(text(60)),
  rating: anyOf(text(60)),
  state: z.enum(['open', 'closed']).default('open'),
  sort: LeadOrder.default('untouched'),
  cursor: z.string().max(400).optional(),
  limit: z.coerce.number().int().min(1).max(100).default(50),
});
export type LeadQuery = z.infer<typeof LeadQuery>;

export const Lead = z.object({
  id: z.uuid(),
  version: z.number().int(),
  fullName: z.string(),
  title: z.string(),
  company: Somebody.nullable(),
  cardId: z.uuid().nullable(),
  email: z.string(),
  phone: z.string(),
  owner: Somebody,
  rating: z.string().nullable(),
  status: z.string().nullable(),
  next: z.object({ text: z.string(), dueOn: z.string().nullable() }).nullable(),
  untouchedSince: z.iso.datetime(),
  filedAt: z.iso.datetime(),
  lacks: z.array(z.enum(LACKS)),
  closed: z.object({ at: z.iso.datetime(), reason: z.string(), words: z.string() }).nullable(),
  lastNote: z.string(),
});
export type Lead = z.infer<typeof Lead>;
export const LeadPage = z.object({ items: z.array(Lead), total: z.number().int(), next: z.string().nullable() });
export type LeadPage = z.infer<typeof LeadPage>;

/** A lead becomes a contact, with what goes along; all of it or nothing. */
export const Qualify = z.object({
  version: z.number().int(),
  /** The contact who it is already: the records are brought together. */
  known: z.object({ personId: z.uuid(), version: z.number().int() }).nullable().default(null),
  /** A firm that is here, or the name of one; null leaves it as it is. */
  company: z
    .union([z.object({ id: z.uuid() }), z.object({ name: text(240).min(1) })])
    .nullable()
    .default(null),
  opportunity: NewOpportunity.omit({ companyId: true, people: true })
    .extend({ part: Part.nullable().default(null) })
    .nullable()
    .default(null),
  task: z
    .object({ text: text(300).min(1, 'Write what is to be done.'), dueOn: Day.nullable().default(null) })
    .nullable()
    .default(null),
});
export type Qualify = z.infer<typeof Qualify>;
export const Qualified = z.object({
  id: z.uuid(),
  personId: z.uuid(),
  opportunityId: z.uuid().nullable(),
});
export type Qualified = z.infer<typeof Qualified>;
