import { z } from 'zod';
import { CountryCode } from './occasion';
import { PersonFields } from './people';
import { FieldProposal, QuadShape, ReadLine } from './proof';

export const LONGEST_WAIT_SECONDS = 60;

/** What is to be done with a picture or a text that a program sends. */
export const ReadingQuery = z.object({
  /** Seconds for which the answer may wait until all is read. */
  wait: z.coerce.number('Give a number of seconds.').min(0).max(LONGEST_WAIT_SECONDS).default(0),
  /** Where numbers and addresses without a country are taken to be. */
  country: CountryCode.optional(),
  /** `no` for what stands on the card alone; else what is read without a doubt, of somebody new, is filed. */
  file: z.enum(['no', 'lead', 'contact']).default('no'),
  occasion: z.uuid().optional(),
  /** Whether the cards' pictures are in the answer. */
  pictures: z.enum(['0', '1']).default('0'),
});
export type ReadingQuery = z.infer<typeof ReadingQuery>;

/** Asking again for the same reading. */
export const ReadingAgainQuery = ReadingQuery.pick({ wait: true, pictures: true });

export const TextToRead = z.strictObject({ text: z.string().min(1, 'Send a picture, or a text.').max(20_000) });

/** What has become of a card. */
const Outcome = z.discriminatedUnion('state', [
  /** It was only to be read. */
  z.object({ state: z.literal('read') }),
  z.object({ state: z.literal('filed'), personId: z.uuid() }),
  /** In the tray, for somebody to prove. */
  z.object({ state: z.literal('waits') }),
  /** In the tray as well: it is, or may be, of somebody who is known. */
  z.object({ state: z.literal('known'), personId: z.uuid(), fullName: z.string(), likelihood: z.number() }),
  /** Taken out of the tray, or joined to another card as its back. */
  z.object({ state: z.enum(['removed', 'joined']) }),
]);

const AskedCard = z.object({
  id: z.uuid(),
  /** Its corners in pixels of the picture, from its upper left one clockwise; null when the whole picture stands for it. */
  quad: QuadShape.nullable(),
  country: z.string().nullable(),
  /** What would be filed. */
  fields: PersonFields,
  /** Each value that was found, with how likely it is right (0–1), where it stands and why it is taken for that. */
  proposals: z.array(FieldProposal),
  /** Values that somebody should look at. */
  doubts: z.array(z.object({ field: z.string(), value: z.string(), confidence: z.number() })),
  lines: z.array(ReadLine.pick({ text: true, quad: true, confidence: true })),
  outcome: Outcome,
  /** JPEG in base64: the card, cut out and upright. */
  picture: z.string().nullable().optional(),
});

export const AskedReading = z.object({
  id: z.uuid(),
  state: z.enum(['reading', 'done', 'unreadable']),
  /** What is wrong with the picture, for a person. */
  message: z.string().nullable(),
  cards: z.array(AskedCard),
});
export type AskedReading = z.infer<typeof AskedReading>;
