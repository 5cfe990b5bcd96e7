import { z } from 'zod';
import { CardOccasion } from './occasion';
import { OpenSecondLook } from './secondLook';
import { FIELD_NAMES, REASON_CODES, type Reason as SaidReason } from '@dossier/core/reading/fields';

const Point = z.tuple([z.number(), z.number()]);
export const QuadShape = z.tuple([Point, Point, Point, Point]);

const ReadCharacter = z.object({
  text: z.string(),
  probability: z.number(),
  alternatives: z.array(z.object({ text: z.string(), probability: z.number() })),
  at: z.number(),
});

export const ReadLine = z.object({
  text: z.string(),
  quad: QuadShape,
  characters: z.array(ReadCharacter),
  confidence: z.number(),
  icon: z.enum(['mobile', 'fax']).optional(),
});

const PictureQuality = z.object({
  smallestText: z.number(),
  blur: z.number(),
  softness: z.number().optional(),
  highlight: z.number().optional(),
  glare: z.number(),
  exposure: z.number(),
  textContrast: z.number(),
  groundContrast: z.number(),
});

export const Reading = z.object({
  width: z.number(),
  height: z.number(),
  lines: z.array(ReadLine),
  codes: z.array(z.object({ text: z.string(), quad: QuadShape })).optional(),
  quality: PictureQuality.optional(),
});

const Because = z.object({
  code: z.enum(REASON_CODES),
  /** What is quoted: text of the card, a domain, an ISO 3166 code. */
  said: z.string().optional(),
  /** What stands against it. */
  other: z.string().optional(),
});
/** Why something is proposed, offered or doubted. A card that was read before there were codes has words in their place. */
const Reason = z.union([Because.extend({ why: Because.optional() }), z.string()]) as unknown as z.ZodType<SaidReason>;

export const FieldProposal = z.object({
  field: z.enum(FIELD_NAMES),
  label: z.string().max(60).optional(),
  value: z.string(),
  phoneKind: z.enum(['work', 'mobile', 'fax']).optional(),
  extension: z.string().optional(),
  sources: z.array(
    z.object({
      line: z.number().int(),
      from: z.number().int(),
      to: z.number().int(),
      side: z.literal('back').optional(),
    }),
  ),
  confidence: z.number(),
  reasons: z.array(Reason),
  runnersUp: z.array(z.object({ value: z.string(), reason: Reason })).optional(),
  disagreement: Reason.optional(),
});

/** Who settled a field, and when. */
const Settled = z.object({ by: z.string().max(200), at: z.iso.datetime() });

/** One field of a draft: a proposal, or what a person made of it. */
const DraftField = FieldProposal.extend({
  id: z.string().max(40),
  leftOut: z.boolean(),
  settled: Settled.optional(),
});

/** What a person makes of a card before it is filed. */
export const DraftContent = z.object({
  draft: z.object({
    fields: z.array(DraftField).max(120),
    nextId: z.number().int(),
    /** Fields that a person deleted, and when. */
    deleted: z
      .array(z.object({ id: z.string().max(40), at: z.iso.datetime() }))
      .max(240)
      .optional(),
  }),
  note: z.string().max(4000),
  readingId: z.uuid(),
});
export type DraftContent = z.infer<typeof DraftContent>;

/** Keeping a draft; refused when another device has kept a later one than the version named. */
export const DraftChange = z.object({ version: z.number().int(), content: DraftContent });
export type DraftChange = z.infer<typeof DraftChange>;
export const DraftKept = z.object({ version: z.number().int() });
export type DraftKept = z.infer<typeof DraftKept>;

/** A pasted address to be taken apart. */
export const AddressBlock = z.object({ text: z.string().min(1).max(2000), country: z.string().length(2).nullable() });
export type AddressBlock = z.infer<typeof AddressBlock>;
export const AddressPartsFound = z.object({
  parts: z.array(
    z.object({ field: z.enum(['street', 'postalCode', 'locality', 'region', 'country']), value: z.string() }),
  ),
});
export type AddressPartsFound = z.infer<typeof AddressPartsFound>;

/** A part of the card's picture to be read on the spot: two opposite corners in pixels of the reading. */
export const AreaToRead = z.object({ from: Point, to: Point });
export type AreaToRead = z.infer<typeof AreaToRead>;
/** Indices of the lines that were added to the card's reading; none when nothing is legible there. */
export const AreaRead = z.object({ lines: z.array(z.number().int()) });
export type AreaRead = z.infer<typeof AreaRead>;

/** A card on the proof desk: its picture (by id), what was read and what is proposed. */
export const ProofCard = z.object({
  id: z.uuid(),
  /** Null for a card without a photograph. */
  photoId: z.uuid().nullable(),
  /** Whether the card's picture is there to prove against. */
  picture: z.boolean(),
  /** Names the picture itself: another one after the border or turn was changed. Null when there is none. */
  pictureId: z.uuid().nullable(),
  /** Another one after the card was read anew. */
  readingId: z.uuid(),
  occasion: CardOccasion.nullable(),
  state: z.enum(['toProve', 'needsPerson', 'setAside', 'filed', 'discarded', 'attached']),
  /** The card whose back this is, when it is attached to one. */
  frontCardId: z.uuid().nullable(),
  /** The back joined to this card, read with it as one. */
  back: z
    .object({ cardId: z.uuid(), picture: z.boolean(), pictureId: z.uuid().nullable(), reading: Reading })
    .nullable(),
  personId: z.uuid().nullable(),
  /** Which models and methods read it. */
  engine: z.string(),
  /** What whoever wrote it of themselves agreed to; on record once it is filed. */
  consent: z.object({ scope: z.string(), wording: z.string(), at: z.iso.datetime() }).nullable(),
  /** What people have made of it so far, on whatever device. */
  draft: z.object({ version: z.number().int(), content: DraftContent.nullable() }),
  secondLook: OpenSecondLook.nullable(),
  takenAt: z.iso.datetime(),
  reading: Reading,
  /** Whether it is still to be read a second time. */
  rereading: z.boolean(),
  proposals: z.array(FieldProposal),
  country: z.string().nullable(),
});
export type ProofCard = z.infer<typeof ProofCard>;

/** Where on which card the values of a record were read, in pixels of that card; numbers without spaces or extension. */
export const PersonSources = z.object({
  items: z.array(
    z.object({
      field: z.enum(FIELD_NAMES),
      label: z.string(),
      value: z.string(),
      cardId: z.uuid(),
      pictureId: z.uuid(),
      cardWidth: z.number(),
      areas: z.array(z.object({ left: z.number(), top: z.number(), width: z.number(), height: z.number() })),
    }),
  ),
});
export type PersonSources = z.infer<typeof PersonSources>;

/** Joining a card of the tray to another as its back. */
export const BackChange = z.object({ cardId: z.uuid() });
export type BackChange = z.infer<typeof BackChange>;

const SideOfSheet = z.object({ id: z.uuid(), quad: QuadShape.nullable(), name: z.string().nullable() });

/** A photograph of several backs beside that of their fronts, with pairs suggested by position. */
export const BacksOfPhoto = z.object({
  frontPhotoId: z.uuid(),
  fronts: z.array(SideOfSheet),
  backs: z.array(SideOfSheet),
  pairs: z.array(z.object({ frontId: z.uuid(), backId: z.uuid() })),
  /** How the backs were laid down: each card turned in its place, or the whole rows turned over. */
  laid: z.enum(['inPlace', 'sideways', 'endways']),
});
export type BacksOfPhoto = z.infer<typeof BacksOfPhoto>;

/** Which backs belong to which fronts; those left out are cards of their own. */
export const BackPairs = z.object({
  pairs: z.array(z.object({ frontId: z.uuid(), backId: z.uuid() })).max(60),
});
export type BackPairs = z.infer<typeof BackPairs>;
