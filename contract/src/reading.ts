import { z } from 'zod';
import { EXPECTABLE_LANGUAGES } from '@dossier/core/reading/fields';

/** Something that filed cards have taught the workspace. */
export const LearnedItem = z.object({
  id: z.uuid(),
  kind: z.enum(['company', 'phone', 'address', 'title']),
  /** Registered domain of the firm; empty for words. */
  domain: z.string(),
  text: z.string(),
  /** From how many filed cards. */
  times: z.number().int(),
  at: z.iso.datetime(),
  actor: z.string(),
  revoked: z.boolean(),
});
export type LearnedItem = z.infer<typeof LearnedItem>;
export const LearnedList = z.object({ items: z.array(LearnedItem) });
export type LearnedList = z.infer<typeof LearnedList>;

export const LearnedChange = z.object({ revoked: z.boolean() });

/** What a workspace expects of the cards it reads. */
export const ReadingSettings = z.object({
  /** ISO 3166 code assumed for cards that do not tell theirs. */
  country: z
    .string()
    .trim()
    .toUpperCase()
    .regex(/^[A-Z]{2}$/, 'Write the two letters of a country, such as GB.'),
  /** ISO 639-1 codes of languages expected beside the country's own. */
  languages: z.array(z.enum(EXPECTABLE_LANGUAGES as [string, ...string[]])).max(20),
});
export type ReadingSettings = z.infer<typeof ReadingSettings>;
