import { z } from 'zod';
import { Person, PersonFields, PersonSummary } from './people';

/** One thing in which two records agree or differ, in words, with its weight in bits. */
export const Evidence = z.object({ about: z.string(), weight: z.number(), words: z.string() });
export type Evidence = z.infer<typeof Evidence>;

const Likeness = {
  /** Probability of being the same person, 0–1. */
  likelihood: z.number(),
  band: z.enum(['same', 'perhaps']),
  /** The person agrees, the firm does not. */
  newJob: z.boolean(),
  evidence: z.array(Evidence),
};

/** Who may already be known as the person of these fields. */
export const MatchQuery = z.object({
  fields: PersonFields,
  /** The card they are from: people it was said not to be of are left out. */
  cardId: z.uuid().nullable().default(null),
});
export type MatchQuery = z.infer<typeof MatchQuery>;

/** A person as it is compared with a card. */
export const KnownPerson = Person.pick({
  id: true,
  kind: true,
  fullName: true,
  fields: true,
  rating: true,
  version: true,
}).extend({
  ownerId: z.uuid(),
  /** Fields that somebody changed by hand last: they beat what is only read. */
  settled: z.array(z.string()),
});
export const Match = z.object({ person: KnownPerson, ...Likeness });
export type Match = z.infer<typeof Match>;
export const Matches = z.object({ matches: z.array(Match) });
export type Matches = z.infer<typeof Matches>;

/** Two cards of the tray that are of one person. */
export const TrayTwin = z.object({
  cardIds: z.tuple([z.uuid(), z.uuid()]),
  likelihood: z.number(),
  /** Taken of the same card, and not of another one of the same person. */
  sameCard: z.boolean(),
  words: z.string(),
});
export type TrayTwin = z.infer<typeof TrayTwin>;
export const TrayTwins = z.object({ items: z.array(TrayTwin) });
export type TrayTwins = z.infer<typeof TrayTwins>;

/** Two people, or two cards of the tray, that are not the same; asked no more. */
export const NotSame = z.object({ ids: z.tuple([z.uuid(), z.uuid()]) });
export type NotSame = z.infer<typeof NotSame>;

/** Where the search through all people stands. */
export const Sweep = z.object({
  id: z.uuid(),
  state: z.enum(['waiting', 'running', 'done', 'cancelled', 'failed']),
  /** Share that is done, 0–1. */
  progress: z.number(),
  people: z.number().int(),
  startedAt: z.iso.datetime(),
  finishedAt: z.iso.datetime().nullable(),
});
export type Sweep = z.infer<typeof Sweep>;
export const LatestSweep = z.object({ sweep: Sweep.nullable() });
export type LatestSweep = z.infer<typeof LatestSweep>;

/** Records that are likely of one person. */
export const DuplicateGroup = z.object({
  people: z.array(PersonSummary.extend({ version: z.number().int() })),
  /** The weakest likelihood that holds the group together. */
  likelihood: z.number(),
  band: z.enum(['same', 'perhaps']),
  newJob: z.boolean(),
  evidence: z.array(Evidence),
});
export type DuplicateGroup = z.infer<typeof DuplicateGroup>;
export const Duplicates = z.object({
  sweep: Sweep.nullable(),
  /** The likeliest first. */
  groups: z.array(DuplicateGroup),
  total: z.number().int(),
  /** How many of all are certain enough to be merged in one act. */
  certain: z.number().int(),
});
export type Duplicates = z.infer<typeof Duplicates>;
export const MergedCertain = z.object({ merged: z.number().int(), mergeIds: z.array(z.uuid()) });
export type MergedCertain = z.infer<typeof MergedCertain>;
