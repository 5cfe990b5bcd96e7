import { z } from 'zod';
import { OutsideAddress } from './outsideAddress';

const words = (max: number) => z.string().trim().min(1, 'Write something here.').max(max);
const Path = z
  .string()
  .trim()
  .max(500)
  .regex(/^\/[^\s#]*$/, 'Write a path that begins with /, such as /api/contacts.');
/** A place in an answer, such as records.0.id. */
const Place = z.string().trim().max(120).regex(/^[\w-]*(\.[\w-]+)*$/, 'Write a place such as records.0.id.'); // prettier-ignore
const Method = z.enum(['GET', 'POST', 'PUT', 'PATCH']);
const Shape = z.strictObject({ method: Method, path: Path });
const HeaderName = z.string().trim().max(80).regex(/^[\w-]+$/, 'Write the name of a header.'); // prettier-ignore

/** How we show who we are. What must stay secret is sent beside it, and never answered. */
export const DestinationAuth = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('none') }),
  z.strictObject({ kind: z.literal('header'), header: HeaderName }),
  z.strictObject({ kind: z.literal('basic'), user: words(200) }),
  z.strictObject({ kind: z.literal('bearer') }),
  /** Client credentials (RFC 6749, 4.4). */
  z.strictObject({ kind: z.literal('oauth'), tokenPath: Path, client: words(200), scope: z.string().max(500).default('') }), // prettier-ignore
]);
export type DestinationAuth = z.infer<typeof DestinationAuth>;

const OutsideObject = z.strictObject({
  find: z.array(Shape).max(5).default([]),
  create: Shape,
  update: Shape,
  onceHeader: HeaderName.nullable().default(null),
  bodyAt: Place.default(''),
  refAt: Place,
  linkAt: Place.default(''),
  found: z.strictObject({ at: Place, refAt: Place, linkAt: Place.default(''), valuesAt: Place.default('') }).default({ at: '', refAt: '', linkAt: '', valuesAt: '' }), // prettier-ignore
});

export const HandOverStep = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('join'), with: z.string().max(20) }),
  z.strictObject({ do: z.literal('first') }),
  z.strictObject({ do: z.literal('part'), at: z.string().min(1).max(20), take: z.number().int().min(-20).max(20) }),
  z.strictObject({ do: z.literal('upper') }),
  z.strictObject({ do: z.literal('lower') }),
  z.strictObject({ do: z.literal('countryName'), language: z.string().regex(/^[a-z]{2,3}(-[A-Za-z]{2,4})?$/, 'Write a language such as de.') }), // prettier-ignore
  z.strictObject({ do: z.literal('countryCode') }),
  z.strictObject({
    do: z.literal('lookUp'),
    rows: z.array(z.strictObject({ from: z.string().max(200), to: z.string().max(200) })).max(500),
    otherwise: z.string().max(200).nullable(),
  }),
  z.strictObject({ do: z.literal('date'), format: z.string().min(1).max(40) }),
  z.strictObject({ do: z.literal('cut'), length: z.number().int().min(1).max(100_000) }),
]);

export const HandOverRule = z.strictObject({
  to: words(120),
  from: z.array(words(80)).max(10).default([]),
  fixed: z.string().max(500).nullable().default(null),
  steps: z.array(HandOverStep).max(10).default([]),
});
export type HandOverRule = z.infer<typeof HandOverRule>;
const Rules = z.array(HandOverRule).max(100);

/** What goes into which field, for leads and for contacts. */
export const HandOverMapping = z.strictObject({ lead: Rules.default([]), contact: Rules.default([]) });
export type HandOverMapping = z.infer<typeof HandOverMapping>;

/** Who is handed over without being chosen: nobody, everybody, leads, who may be written to, whom somebody has looked at. */
export const HandOverWhen = z.enum(['byHand', 'always', 'leads', 'consented', 'looked']);
export type HandOverWhen = z.infer<typeof HandOverWhen>;

export const DestinationFields = z.strictObject({
  name: words(80),
  /** What all paths are behind. */
  base: OutsideAddress.refine((text) => !/[?#]/.test(text), 'Leave everything from ? or # on out of the address.'),
  auth: DestinationAuth.default({ kind: 'none' }),
  /** Left out it stays as it is. */
  secret: z
    .string()
    .min(1)
    .max(2000)
    .regex(/^[\x20-\x7e]+$/, 'There are characters in it that no header can hold. Copy it anew.')
    .optional(),
  objects: z.strictObject({
    lead: OutsideObject,
    contact: OutsideObject,
    /** Words said of somebody, as records of their own: `of` takes the person's reference, `words` the note. */
    note: z.strictObject({ create: Shape, onceHeader: HeaderName.nullable().default(null), of: words(120), words: words(120), refAt: Place }).nullable().default(null), // prettier-ignore
  }),
  /** Where it describes its fields, and where in the answer those of a lead and of a contact stand. */
  describe: z.strictObject({ path: Path, leadAt: Place, contactAt: Place }).nullable().default(null),
  when: HandOverWhen.default('byHand'),
  perMinute: z.number().int().min(1).max(6_000).default(120),
  paused: z.boolean().default(false),
});
export type DestinationFields = z.infer<typeof DestinationFields>;

export const Destination = DestinationFields.omit({ secret: true }).extend({
  id: z.uuid(),
  hasSecret: z.boolean(),
  mapping: HandOverMapping,
  /** Counts up with every change of the mapping. */
  mappingVersion: z.number().int(),
  pausedWhy: z.string().nullable(),
  waiting: z.number().int(),
  held: z.number().int(),
});
export type Destination = z.infer<typeof Destination>;
export const Destinations = z.object({ items: z.array(Destination) });
export type Destinations = z.infer<typeof Destinations>;

const Fault = z.object({ to: z.string(), fault: z.string() });
/** Somebody as they would be sent. */
export const HandOverSample = z.strictObject({ personId: z.uuid(), mapping: HandOverMapping });
export type HandOverSample = z.infer<typeof HandOverSample>;
export const HandedOverSample = z.object({ record: z.record(z.string(), z.unknown()), faults: z.array(Fault) });
export type HandedOverSample = z.infer<typeof HandedOverSample>;

export const OutsideFields = z.object({
  items: z.array(
    z.object({
      name: z.string(),
      label: z.string(),
      type: z.enum(['text', 'list', 'number', 'yesNo', 'date', 'choice']),
      required: z.boolean(),
      longest: z.number().nullable(),
      choices: z.array(z.string()),
    }),
  ),
});
export type OutsideFields = z.infer<typeof OutsideFields>;

export const HandOverRequest = z.strictObject({ personIds: z.array(z.uuid()).min(1).max(500) });
export const HandOverBegun = z.object({ begun: z.number().int() });
export type HandOverBegun = z.infer<typeof HandOverBegun>;

export const Delivery = z.object({
  id: z.uuid(),
  destinationId: z.uuid(),
  destination: z.string(),
  personId: z.uuid(),
  fullName: z.string(),
  subject: z.enum(['person', 'note']),
  state: z.enum(['waiting', 'sending', 'delivered', 'held']),
  attempts: z.number().int(),
  madeAt: z.iso.datetime(),
  nextAt: z.iso.datetime().nullable(),
  doneAt: z.iso.datetime().nullable(),
  mappingVersion: z.number().int().nullable(),
  /** What was asked of the other system last, and what came back. */
  request: z.string().nullable(),
  status: z.number().int().nullable(),
  answer: z.string().nullable(),
  /** What is wrong, and what to do about it. */
  problem: z.string().nullable(),
  /** Where the record is there. */
  link: z.string().nullable(),
  /** What stood there in its place. */
  theirs: z.array(z.object({ to: z.string(), there: z.string(), here: z.string() })),
});
export type Delivery = z.infer<typeof Delivery>;
export const HandOverDeliveriesQuery = z.object({
  destination: z.uuid().optional(),
  person: z.uuid().optional(),
  state: z.enum(['all', 'waiting', 'delivered', 'held']).default('all'),
  cursor: z.uuid().optional(),
});
export const Deliveries = z.object({ items: z.array(Delivery), next: z.uuid().nullable() });
export type Deliveries = z.infer<typeof Deliveries>;
