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

/** Tried in order; `{ref}` stands for what the record is called there, where that is known. `at` where what was found stands, if elsewhere than usual. */
const Find = z
  .array(Shape.extend({ at: Place.nullable().default(null) }))
  .max(5)
  .default([]);
const Found = z.strictObject({ at: Place, refAt: Place, linkAt: Place.default(''), valuesAt: Place.default('') }).default({ at: '', refAt: '', linkAt: '', valuesAt: '' }); // prettier-ignore

/** How records of one kind are found, made and changed there. */
export const OutsideObject = z.strictObject({
  find: Find,
  create: Shape,
  update: Shape,
  onceHeader: HeaderName.nullable().default(null),
  bodyAt: Place.default(''),
  refAt: Place,
  linkAt: Place.default(''),
  found: Found,
});
export type OutsideObject = z.infer<typeof OutsideObject>;

const FieldName = words(120);
/** A field that may be left out: empty where there is none. */
const MaybeField = z.string().trim().max(120).default('');
/**
 * What hangs on a person, as records of their own: `of` takes the person's reference, `ours` what the record is called here, which stays the
 * same. Without `update` what was made once stays as it is.
 */
const hanging = { find: Find, found: Found, ours: MaybeField, create: Shape, update: Shape.nullable().default(null), onceHeader: HeaderName.nullable().default(null), of: FieldName, refAt: Place }; // prettier-ignore
const OutsideNote = z.strictObject({ ...hanging, words: FieldName });
const OutsideTask = z.strictObject({ ...hanging, words: FieldName, due: MaybeField, done: MaybeField });
/** `bytes` takes the picture in base64 (JPEG), `side` front or back. */
const OutsidePicture = z.strictObject({ ...hanging, bytes: FieldName, side: MaybeField });
/** With the first of its people. `value` is a number, `currency` as in ISO 4217, `state` open, won or lost, `expected` a date. */
const OutsideOpportunity = z.strictObject({ ...hanging, title: FieldName, value: MaybeField, currency: MaybeField, stage: MaybeField, state: MaybeField, expected: MaybeField, reason: MaybeField }); // prettier-ignore

export const OutsideObjects = z.strictObject({
  lead: OutsideObject,
  contact: OutsideObject,
  company: OutsideObject.nullable().default(null),
  note: OutsideNote.nullable().default(null),
  task: OutsideTask.nullable().default(null),
  picture: OutsidePicture.nullable().default(null),
  opportunity: OutsideOpportunity.nullable().default(null),
});
export type OutsideObjects = z.infer<typeof OutsideObjects>;

const Base = OutsideAddress.refine((text) => !/[?#]/.test(text), 'Leave everything from ? or # on out of the address.'); // prettier-ignore

/** A system that takes JSON over HTTP. */
export const OutsideSystem = z.strictObject({
  kind: z.literal('system'),
  /** What all paths are behind. */
  base: Base,
  auth: DestinationAuth.default({ kind: 'none' }),
  objects: OutsideObjects,
  /** Where it describes its fields, and where in the answer those of a lead, a contact and a company stand. */
  describe: z.strictObject({ path: Path, leadAt: Place, contactAt: Place, companyAt: Place.default('') }).nullable().default(null), // prettier-ignore
});
export type OutsideSystem = z.infer<typeof OutsideSystem>;

/** A folder beneath the one that whoever runs Dossier has named: a file for each person, written anew when they change. */
export const OutsideFolder = z.strictObject({
  kind: z.literal('folder'),
  folder: z.string().trim().max(80).regex(/^[\p{L}\p{N}][\p{L}\p{N} _-]*$/u, 'Write one name, of letters, digits, spaces, - and _.'), // prettier-ignore
  format: z.enum(['vcard', 'csv']),
});

/** An address book by CardDAV (RFC 6352). */
export const OutsideAddressBook = z.strictObject({
  kind: z.literal('addressBook'),
  /** Where the server is asked for the address books of the user, or one address book itself. */
  base: Base,
  user: words(200),
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
  to: words(120).refine((name) => name !== '__proto__', 'No field is called so.'),
  from: z.array(words(80)).max(10).default([]),
  fixed: z.string().max(500).nullable().default(null),
  steps: z.array(HandOverStep).max(10).default([]),
  /** Several values are one text with commas between, unless as a list. */
  as: z.enum(['text', 'list', 'number', 'yesNo']).default('text'),
});
export type HandOverRule = z.infer<typeof HandOverRule>;
const Rules = z.array(HandOverRule).max(100);

/** What goes into which field: for leads, for contacts, for their companies, and for people of some occasions otherwise. */
export const HandOverMapping = z.strictObject({
  lead: Rules.default([]),
  contact: Rules.default([]),
  company: Rules.default([]),
  occasions: z
    .array(z.strictObject({ occasionId: z.uuid(), lead: Rules, contact: Rules }))
    .max(50)
    .default([]),
});
export type HandOverMapping = z.infer<typeof HandOverMapping>;

/** The version that was changed: where another one is in force by now, nothing is written over it. */
export const MappingOver = z.object({ over: z.coerce.number().int().min(0).optional() });

/** Who is handed over without being chosen: nobody, everybody, leads, leads once they are contacts and all other contacts, who may be written to, whom somebody has looked at. */
export const HandOverWhen = z.enum(['byHand', 'always', 'leads', 'contacts', 'consented', 'looked']);
export type HandOverWhen = z.infer<typeof HandOverWhen>;

export const DestinationFields = z.strictObject({
  name: words(80),
  to: z.discriminatedUnion('kind', [OutsideSystem, OutsideFolder, OutsideAddressBook]),
  /** Left out it stays as it is. */
  secret: z
    .string()
    .min(1)
    .max(2000)
    .regex(/^[\x20-\x7e]+$/, 'There are characters in it that no header can hold. Copy it anew.')
    .optional(),
  when: HandOverWhen.default('byHand'),
  /** For people of some occasions otherwise. */
  occasions: z
    .array(z.strictObject({ occasionId: z.uuid(), when: HandOverWhen }))
    .max(100)
    .default([]),
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
  delivered: z.number().int(),
});
export type Destination = z.infer<typeof Destination>;
export const Destinations = z.object({ items: z.array(Destination) });
export type Destinations = z.infer<typeof Destinations>;
/** Where people can be handed over to, for whoever hands them over. */
export const DestinationNames = z.object({
  items: z.array(z.object({ id: z.uuid(), name: z.string(), isPaused: z.boolean() })),
});
export type DestinationNames = z.infer<typeof DestinationNames>;

export const MappingVersions = z.object({
  items: z.array(
    z.object({ version: z.number().int(), at: z.iso.datetime(), by: z.string(), mapping: HandOverMapping }),
  ),
});
export type MappingVersions = z.infer<typeof MappingVersions>;

/** Somebody as they would be sent. */
export const HandOverSample = z.strictObject({
  personId: z.uuid(),
  mapping: HandOverMapping,
  /** As if they were one; as what they are without. */
  as: z.enum(['lead', 'contact']).optional(),
});
export type HandOverSample = z.infer<typeof HandOverSample>;
const Fault = z.object({ to: z.string(), fault: z.string() });
const Handed = z.object({ record: z.record(z.string(), z.unknown()), faults: z.array(Fault) });
/** `company` null where none is brought before them. */
export const HandedOverSample = Handed.extend({ kind: z.enum(['lead', 'contact']), company: Handed.nullable() });
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

/** One record sent as a try: its names say that it is one. */
export const HandOverTried = z.object({
  request: z.string().nullable(),
  status: z.number().int().nullable(),
  answer: z.string().nullable(),
  problem: z.string().nullable(),
  link: z.string().nullable(),
});
export type HandOverTried = z.infer<typeof HandOverTried>;

export const HandOverBegun = z.object({ begun: z.number().int() });
export type HandOverBegun = z.infer<typeof HandOverBegun>;

export const HandedSubject = z.enum(['person', 'note', 'task', 'picture', 'opportunity']);
export type HandedSubject = z.infer<typeof HandedSubject>;

export const Delivery = z.object({
  id: z.uuid(),
  destinationId: z.uuid(),
  destination: z.string(),
  personId: z.uuid(),
  fullName: z.string(),
  subject: HandedSubject,
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

/** Where somebody was handed over to, and how that stands. */
export const Elsewhere = z.object({
  items: z.array(
    z.object({
      destinationId: z.uuid(),
      destination: z.string(),
      state: z.enum(['waiting', 'sending', 'delivered', 'held']),
      sentAt: z.iso.datetime().nullable(),
      link: z.string().nullable(),
      problem: z.string().nullable(),
      /** The delivery that waits for somebody. */
      heldId: z.uuid().nullable(),
      /** What stood there in place of ours; `field` is ours, null where theirs cannot be taken as it is. */
      theirs: z.array(z.object({ to: z.string(), there: z.string(), here: z.string(), field: z.string().nullable() })),
    }),
  ),
});
export type Elsewhere = z.infer<typeof Elsewhere>;
export const TheirsSettled = z.strictObject({ to: z.string().max(120), take: z.boolean() });
export type TheirsSettled = z.infer<typeof TheirsSettled>;
