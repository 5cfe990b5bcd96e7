import { TEXT_FIELDS } from '@dossier/core/people';
import { z } from 'zod';
import { PersonKind } from './people';
import { Tags } from './tag';

/** Whom a change of many is about: people by their ids, or everybody of a list but some. */
export const ChosenPeople = z.union([
  z.strictObject({
    ids: z
      .array(z.uuid())
      .min(1, 'Choose somebody first.')
      .max(5_000, 'Choose at most 5,000 one by one, or everybody of a list.'),
  }),
  /** The narrowing of a list, as it stands in its address. */
  z.strictObject({ list: z.string().max(4000), except: z.array(z.uuid()).max(5_000).default([]) }),
]);
export type ChosenPeople = z.infer<typeof ChosenPeople>;

/** What is changed; what is left out stays as it is. */
export const PeopleChange = z
  .strictObject({
    addTags: Tags.optional(),
    removeTags: Tags.optional(),
    ownerId: z.uuid().optional(),
    kind: PersonKind.optional(),
    /** Null takes it away. */
    rating: z.string().trim().min(1).max(60).nullable().optional(),
    /** Of the latest card; null takes it away. */
    occasionId: z.uuid().nullable().optional(),
    field: z.strictObject({ name: z.enum(TEXT_FIELDS), value: z.string().trim().max(240) }).optional(),
    /** How far a lead is, in the workspace's own words; null takes it away. */
    status: z.string().trim().min(1).max(60).nullable().optional(),
    /** A lead is closed for a reason; null opens it again. */
    closed: z
      .strictObject({
        reason: z.string().trim().min(1, 'Say why.').max(60),
        words: z.string().trim().max(500).default(''),
      })
      .nullable()
      .optional(),
    /** A follow-up plan that they are put into. */
    planId: z.uuid().optional(),
    note: z.string().trim().min(1).max(4000).optional(),
    /** Out of every list, to be brought back within a month. */
    deleted: z.literal(true).optional(),
  })
  .refine((what) => Object.values(what).some((value) => value !== undefined), 'Say what is to be changed.');
export type PeopleChange = z.infer<typeof PeopleChange>;

export const PeopleChangeRequest = z.strictObject({
  who: ChosenPeople,
  what: PeopleChange,
  /** Only says what would be changed. */
  preview: z.boolean().default(false),
});
export type PeopleChangeRequest = z.infer<typeof PeopleChangeRequest>;

/** Why somebody is left as they are. */
export const LeftWhy = z.enum(['tooManyTags', 'nameless', 'noCard', 'gone', 'changedSince', 'noLead']);
export type LeftWhy = z.infer<typeof LeftWhy>;
const Left = z.object({ personId: z.uuid(), fullName: z.string(), why: LeftWhy, field: z.string().nullable() });

/** Of so many people, how many will be different, how many are so already, and who cannot be. */
export const ChangePreview = z.object({
  total: z.number().int(),
  changed: z.number().int(),
  same: z.number().int(),
  left: z.array(z.object({ why: LeftWhy, people: z.number().int(), names: z.array(z.string()) })),
});
export type ChangePreview = z.infer<typeof ChangePreview>;

/** A change of many and how far it is. */
export const PeopleChangeState = z.object({
  id: z.uuid(),
  state: z.enum(['waiting', 'running', 'done', 'stopped', 'undoing', 'undone']),
  at: z.iso.datetime(),
  by: z.string(),
  what: PeopleChange,
  /** Names of the owner, the occasion and the plan in it. */
  owner: z.string().nullable(),
  occasion: z.string().nullable(),
  plan: z.string().nullable(),
  /** Of so many, gone through so far; those of an undo are the ones who were changed. */
  total: z.number().int(),
  done: z.number().int(),
  /** Those who are different, or as they were again. */
  changed: z.number().int(),
  /** Who was left as they are, some of them. */
  left: z.array(Left),
  leftTotal: z.number().int(),
  /** Whether whoever asks can take it back, or stop it. */
  isOwn: z.boolean(),
});
export type PeopleChangeState = z.infer<typeof PeopleChangeState>;
export const PeopleChanges = z.object({ items: z.array(PeopleChangeState) });
export type PeopleChanges = z.infer<typeof PeopleChanges>;
