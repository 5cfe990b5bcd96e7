import { z } from 'zod';
import { EXPECTABLE_LANGUAGES } from '@dossier/core/reading/fields';
import { PersonKind } from './people';
import { Tags } from './tag';

/** What is kept once a card is filed: the whole photograph, the cut card, or nothing. */
export const KeepPictures = z.enum(['photo', 'card', 'none']);
export type KeepPictures = z.infer<typeof KeepPictures>;

/** ISO 639-1 codes of languages that cards may be written in. */
export const CardLanguages = z.array(z.enum(EXPECTABLE_LANGUAGES as [string, ...string[]])).max(20);

/** ISO 3166 code. */
export const CountryCode = z
  .string()
  .trim()
  .toUpperCase()
  .regex(/^[A-Z]{2}$/, 'Write the two letters of a country, such as GB.');

/** Where and when cards are received, and what they inherit from it. */
export const OccasionFields = z
  .object({
    name: z.string().trim().min(1, 'Give the occasion a name.').max(120, 'Use at most 120 characters.'),
    place: z.string().trim().max(120, 'Use at most 120 characters.').default(''),
    /** First and last day; null for one that has no dates. */
    startsOn: z.iso.date('Write the day as 2026-03-24.').nullable().default(null),
    endsOn: z.iso.date('Write the day as 2026-03-24.').nullable().default(null),
    tags: Tags.default([]),
    kind: PersonKind.default('contact'),
    /** Who owns what is filed; null for whoever files it. */
    ownerId: z.uuid().nullable().default(null),
    /** Null for what the workspace does with all pictures. */
    keepPictures: KeepPictures.nullable().default(null),
    /** Null for the workspace's. */
    country: CountryCode.nullable().default(null),
    /** Empty for the workspace's. */
    languages: CardLanguages.default([]),
    /** Whether cards without any doubt are filed without a person; null for what the workspace says. */
    filesItself: z.boolean().nullable().default(null),
    /** Whoever is filed is put into this follow-up plan; null for none. */
    planId: z.uuid().nullable().default(null),
    /** No longer offered for new photographs. */
    closed: z.boolean().default(false),
  })
  .refine(({ startsOn, endsOn }) => !startsOn || !endsOn || startsOn <= endsOn, {
    path: ['endsOn'],
    error: 'The last day lies before the first.',
  });
export type OccasionFields = z.infer<typeof OccasionFields>;

export const Occasion = z.object({
  ...OccasionFields.shape,
  id: z.uuid(),
  /** Cards under it that are not filed yet, and people filed from it. */
  inTray: z.number().int(),
  filed: z.number().int(),
});
export type Occasion = z.infer<typeof Occasion>;

export const OccasionList = z.object({ items: z.array(Occasion) });
export type OccasionList = z.infer<typeof OccasionList>;

/** What a card of the tray inherits. */
export const CardOccasion = Occasion.pick({
  id: true,
  name: true,
  kind: true,
  tags: true,
  ownerId: true,
  planId: true,
});
export type CardOccasion = z.infer<typeof CardOccasion>;

/** Moving cards of the tray, and photographs not read yet, to another occasion. */
export const OccasionMove = z.object({
  cardIds: z.array(z.uuid()).max(500),
  photoIds: z.array(z.uuid()).max(500).default([]),
  occasionId: z.uuid().nullable(),
});
export type OccasionMove = z.infer<typeof OccasionMove>;
