import { z } from 'zod';
import { PersonSource } from './people';
import { anyOf } from './anyOf';
import { Amount } from './pipeline';

const Day = z.iso.date('Write the day as 2026-03-24.');
/** Somebody of the team, and what is theirs; without an id what all have together. */
const Whose = { ownerId: z.uuid().nullable(), name: z.string() };
const Sum = z.object({ currency: z.string(), value: z.number(), weighted: z.number() });
/** First quarter, middle, third quarter, in seconds; null where there is nothing to measure. */
const Spread = z.object({ number: z.number().int(), low: z.number(), middle: z.number(), high: z.number() }).nullable();
export type Spread = z.infer<typeof Spread>;

export const Cost = z.object({ cost: Amount.nullable() });
export type Cost = z.infer<typeof Cost>;

/** What an occasion brought. Days and hours are those of the team's place. */
export const OccasionReport = z.object({
  id: z.uuid(),
  name: z.string(),
  place: z.string(),
  startsOn: z.string().nullable(),
  endsOn: z.string().nullable(),
  currency: z.string(),
  cost: z.number().nullable(),
  hours: z.array(z.object({ day: z.string(), hour: z.number().int(), cards: z.number().int() })),
  cards: z.number().int(),
  inTray: z.number().int(),
  people: z.number().int(),
  leads: z.number().int(),
  qualified: z.number().int(),
  closed: z.number().int(),
  open: z.object({ number: z.number().int(), sums: z.array(Sum) }),
  won: z.object({ number: z.number().int(), sums: z.array(Sum) }),
  lost: z.object({ number: z.number().int(), sums: z.array(Sum) }),
  /** Won, in the team's currency, where it has rates for all of it. */
  wonTogether: z.number(),
  withoutRate: z.array(z.string()),
  costPerLead: z.number().nullable(),
  byPerson: z.array(z.object({ ...Whose, cards: z.number().int(), people: z.number().int(), leads: z.number().int(), qualified: z.number().int() })), // prettier-ignore
});
export type OccasionReport = z.infer<typeof OccasionReport>;

/** Who was filed between two days. */
const Between = { from: Day, to: Day };
export const FiguresQuery = z.object({ ...Between, owner: anyOf(z.uuid()), occasion: anyOf(z.uuid()) }).refine(({ from, to }) => from <= to, { path: ['to'], error: 'The last day lies before the first.' }); // prettier-ignore
export type FiguresQuery = z.infer<typeof FiguresQuery>;

const Times = { filed: Spread, written: Spread, answered: Spread, qualified: Spread };
/** How long it took from the card to each. */
export const Speed = z.object({
  all: z.object({ people: z.number().int(), ...Times }),
  /** By the Monday of the week in which they were filed. */
  weeks: z.array(z.object({ week: z.string(), people: z.number().int(), ...Times })),
  owners: z.array(z.object({ ...Whose, people: z.number().int(), ...Times })),
});
export type Speed = z.infer<typeof Speed>;

export const REACHED = ['filed', 'written', 'answered', 'qualified', 'business', 'won'] as const;
export const Funnel = z.object({
  /** How many came so far, or farther; how many of these are there still, and are closed. */
  steps: z.array(z.object({ reached: z.enum(REACHED), number: z.number().int(), open: z.number().int(), closed: z.number().int() })), // prettier-ignore
  reasons: z.array(z.object({ reason: z.string(), number: z.number().int() })),
  owners: z.array(z.object({ ...Whose, counts: z.record(z.enum(REACHED), z.number().int()) })),
  occasions: z.array(z.object({ occasionId: z.uuid().nullable(), name: z.string(), counts: z.record(z.enum(REACHED), z.number().int()) })), // prettier-ignore
  sources: z.array(z.object({ source: PersonSource, counts: z.record(z.enum(REACHED), z.number().int()) })),
});
export type Funnel = z.infer<typeof Funnel>;

export const ReadingFigures = z.object({
  cards: z.number().int(),
  doubts: z.number().int(),
  /** Filed exactly as they were read. */
  untouched: z.number().int(),
  byItself: z.number().int(),
  weeks: z.array(z.object({ week: z.string(), cards: z.number().int(), doubts: z.number().int(), untouched: z.number().int() })), // prettier-ignore
  fields: z.array(z.object({ field: z.string(), corrected: z.number().int(), missed: z.number().int() })),
  firms: z.array(z.object({ companyId: z.uuid(), name: z.string(), cards: z.number().int(), corrected: z.number().int() })), // prettier-ignore
  /** Cards of people who were known, and records that were brought together. */
  known: z.number().int(),
  merged: z.number().int(),
});
export type ReadingFigures = z.infer<typeof ReadingFigures>;

export const Owed = z.object({
  owners: z.array(
    z.object({ ...Whose, neverWritten: z.number().int(), unread: z.number().int(), late: z.number().int() }),
  ),
  late: z.array(z.object({ id: z.uuid(), text: z.string(), dueOn: z.string(), owner: z.string(), person: z.object({ id: z.uuid(), fullName: z.string() }).nullable(), opportunity: z.object({ id: z.uuid(), title: z.string() }).nullable() })), // prettier-ignore
});
export type Owed = z.infer<typeof Owed>;
export const OwedQuery = z.object({ day: Day });

export const Coming = z.object({
  currency: z.string(),
  months: z.array(
    z.object({
      month: z.string(),
      number: z.number().int(),
      value: z.number(),
      weighted: z.number(),
      won: z.number(),
      goal: z.number().nullable(),
    }),
  ),
  /** Open, with no day on which it is expected. */
  undated: z.object({ number: z.number().int(), value: z.number(), weighted: z.number() }),
  withoutRate: z.array(z.string()),
});
export type Coming = z.infer<typeof Coming>;
export const ComingQuery = z.object({ day: Day, owner: anyOf(z.uuid()) });
