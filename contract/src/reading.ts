import { z } from 'zod';
import { CardLanguages, CountryCode, KeepPictures } from './occasion';

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
  country: CountryCode,
  /** Expected beside the country's own. */
  languages: CardLanguages,
});
export type ReadingSettings = z.infer<typeof ReadingSettings>;

/** Names of fields that a team files beside the usual ones. */
export const OwnFields = z.object({ names: z.array(z.string().trim().min(1).max(60)).max(30) });
export type OwnFields = z.infer<typeof OwnFields>;

/** What becomes of pictures once their card is filed. */
export const PictureSettings = z.object({
  keepPictures: KeepPictures,
  /** Days after which none is kept; null for as long as the record. */
  keepDays: z.number().int().min(1).max(3650).nullable(),
  /** Whether pictures of what was filed before go the same way, a day later. */
  past: z.boolean().default(false),
});
/** How many cards and photographs of the past would lose their pictures. */
export const PastPictures = z.object({ cards: z.number().int(), photos: z.number().int() });
export type PastPictures = z.infer<typeof PastPictures>;
export type PictureSettings = z.infer<typeof PictureSettings>;
