import { z } from 'zod';

export { MAX_PHOTO_BYTES, MAX_PHOTO_PIXELS } from '@dossier/core/capture';

/** Media types that may be offered; the server goes by the bytes and not by the name. */
export const PHOTO_TYPES = ['image/jpeg', 'image/png', 'image/webp', 'image/heic', 'image/heif'] as const;

export const PhotoState = z.enum(['waiting', 'reading', 'read', 'unreadable']);

/** What the server keeps of a photograph. `id` was made on the device; sending it twice is sending it once. */
export const Photo = z.object({
  id: z.uuid(),
  state: PhotoState,
  takenAt: z.iso.datetime(),
  receivedAt: z.iso.datetime(),
});
export type Photo = z.infer<typeof Photo>;

/** Query of an upload; the body is the picture itself. */
export const PhotoUpload = z.object({
  takenAt: z.iso.datetime(),
  occasion: z.uuid().optional(),
  /** The photograph of the fronts whose backs this one shows. */
  backOf: z.uuid().optional(),
  /** A file that was picked, not a photograph just taken: the same file is not taken twice. */
  file: z.literal('1').optional(),
});

/**
 * How much of a photograph has arrived, so that a line that broke goes on from there: the rest is sent with
 * `Content-Range: bytes FROM-LAST/SIZE` (RFC 9110, 14.4 and 14.5).
 */
export const PhotoReceived = z.object({
  bytes: z.int().nonnegative(),
  /** All of it is here, only the answer was lost. */
  whole: z.boolean(),
});
export type PhotoReceived = z.infer<typeof PhotoReceived>;

/** Photographs somebody wants to know about, their ids with commas between. */
export const PhotosQuery = z.object({
  ids: z
    .string()
    .max(4000)
    .transform((ids) => ids.split(',').filter(Boolean))
    .pipe(z.array(z.uuid()).max(100)),
});
/** Where a photograph is, and which cards were found in it: those to be opened, a back under its front. */
export const PhotoOnTheWay = z.object({
  id: z.uuid(),
  state: PhotoState,
  /** What is wrong with it. */
  message: z.string().nullable(),
  cards: z.array(z.object({ id: z.uuid(), filed: z.boolean() })),
});
export type PhotoOnTheWay = z.infer<typeof PhotoOnTheWay>;
export const PhotosOnTheWay = z.object({ items: z.array(PhotoOnTheWay) });
export type PhotosOnTheWay = z.infer<typeof PhotosOnTheWay>;

/** Text in place of a picture: a pasted signature, what a code on a card says, or nothing for a card to be typed. */
export const TextCard = z.object({
  kind: z.enum(['text', 'code', 'blank']),
  text: z.string().max(20_000, 'This is more text than a card or signature has. Paste only the part about the person.'),
  takenAt: z.iso.datetime(),
  occasionId: z.uuid().nullable().default(null),
});
export type TextCard = z.infer<typeof TextCard>;
export const TextCardKept = z.object({ cardId: z.uuid() });
