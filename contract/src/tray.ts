import { z } from 'zod';
import { CardLanguages, CardOccasion, CountryCode } from './occasion';
import { OpenSecondLook } from './secondLook';

/** Where a card not yet filed stands. `waiting` and `reading` are photographs whose cards are not known yet. */
export const TrayState = z.enum(['waiting', 'reading', 'toProve', 'needsPerson', 'setAside', 'unreadable']);
export type TrayState = z.infer<typeof TrayState>;

export const TrayItem = z.object({
  /** Id of the card, or of the photograph while it is not read (or could not be opened). */
  id: z.uuid(),
  kind: z.enum(['photo', 'card']),
  /** Null for a card without a picture. */
  photoId: z.uuid().nullable(),
  state: TrayState,
  /** Whether there is a picture to show. */
  picture: z.boolean(),
  /** Names the small picture itself; another one after it was changed. */
  pictureId: z.uuid().nullable(),
  occasion: CardOccasion.pick({ id: true, name: true }).nullable(),
  /** What a colleague is asked about it. */
  secondLook: OpenSecondLook.nullable(),
  /** Best guess of whose card it is. */
  name: z.string().nullable(),
  company: z.string().nullable(),
  /** How many of its fields are doubtful. */
  doubts: z.number().int(),
  /** Whether it is still to be read a second time: what it is sure of may become doubtful yet. */
  rereading: z.boolean(),
  takenAt: z.iso.datetime(),
  /** Share of the reading that is done, 0–1; only while reading. */
  progress: z.number().min(0).max(1).nullable(),
  /** What is wrong and what to do, when something is. */
  message: z.string().nullable(),
});
export type TrayItem = z.infer<typeof TrayItem>;

/** What of the tray is asked for. */
export const TrayQuery = z.object({
  cursor: z.string().max(400).optional(),
  /** Cards of one occasion, or of none. */
  occasion: z.union([z.uuid(), z.literal('none')]).optional(),
  /** `open` is everything still to be worked on, without what was set aside; `forMe` what one is asked to look at. */
  show: z.enum(['all', 'open', 'toProve', 'needsPerson', 'setAside', 'forMe']).default('all'),
  /** Only what one has photographed or written oneself. */
  mine: z.literal('1').optional(),
  order: z.enum(['newest', 'oldest']).default('oldest'),
});
export type TrayQuery = z.infer<typeof TrayQuery>;

/** The cards of a part of the tray that are proved one after another: their ids, in its order. */
export const TrayRun = z.object({ ids: z.array(z.uuid()) });
export type TrayRun = z.infer<typeof TrayRun>;

/** Several cards of the tray taken out, set aside or put back at once. */
export const CardsChange = z.object({
  cardIds: z.array(z.uuid()).min(1).max(500),
  state: z.enum(['toProve', 'setAside', 'discarded']),
});
export type CardsChange = z.infer<typeof CardsChange>;

/** Reading cards once more, with other expectations; null and empty for those of occasion and workspace. */
export const ReadAgain = z.object({
  cardIds: z.array(z.uuid()).min(1).max(500),
  country: CountryCode.nullable().default(null),
  languages: CardLanguages.default([]),
});
export type ReadAgain = z.infer<typeof ReadAgain>;

/** The photographs that somebody took or sent together most recently. */
export const Batch = z.object({
  id: z.uuid(),
  photos: z.number().int(),
  /** How many of them are read, or cannot be. */
  done: z.number().int(),
  unreadable: z.number().int(),
  /** Cards found in them that are not filed yet. */
  cards: z.number().int(),
});
export type Batch = z.infer<typeof Batch>;
export const LatestBatch = z.object({ batch: Batch.nullable() });
export type LatestBatch = z.infer<typeof LatestBatch>;

export const Tray = z.object({
  items: z.array(TrayItem),
  total: z.number().int(),
  next: z.string().nullable(),
  /** Photographs of backs that show several cards, to be matched with their fronts by a person. */
  backs: z.array(z.object({ photoId: z.uuid(), fronts: z.number().int(), backs: z.number().int() })),
  /** Photographs on which so many cards were perhaps missed. */
  missed: z.array(z.object({ photoId: z.uuid(), cards: z.number().int() })),
});
export type Tray = z.infer<typeof Tray>;

/** One server-sent event of `/tray/events`: something about this photograph, or card without one, changed. */
export const TrayEvent = z.object({
  photoId: z.uuid(),
  /** `drafted`: somebody has worked on the card `cardId`; what lies in the tray is as it was. `reread`: it was read a second time. */
  state: z.enum(['waiting', 'reading', 'read', 'unreadable', 'changed', 'drafted', 'reread']),
  progress: z.number().min(0).max(1).nullable(),
  /** Of a photograph that has just been read: the first of its cards. */
  cardId: z.uuid().optional(),
  /** Of a card that was worked on: the version its draft has now. */
  draftVersion: z.number().int().optional(),
});
export type TrayEvent = z.infer<typeof TrayEvent>;
