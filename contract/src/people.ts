import { z } from 'zod';
import { Tag, Tags } from './tag';

const text = (max: number) => z.string().trim().max(max);

/** A photographed card, text that was typed or pasted, a file that was brought in. */
export const PersonSource = z.enum(['card', 'text', 'file']);
export type PersonSource = z.infer<typeof PersonSource>;

export const PersonKind = z.enum(['contact', 'lead']);
export type PersonKind = z.infer<typeof PersonKind>;

export const PhoneEntry = z.object({
  /** E.164 where it could be placed in a country, else as written. */
  value: text(60).min(1),
  kind: z.enum(['work', 'mobile', 'fax']),
  extension: text(10).default(''),
});

const AddressParts = z.object({
  street: text(300),
  postalCode: text(30),
  locality: text(120),
  region: text(120),
  country: text(60),
});

/** Everything a card can say about a person. Empty text means not known. */
export const PersonFields = z.object({
  prefix: text(60).default(''),
  givenName: text(120).default(''),
  middleName: text(120).default(''),
  familyName: text(120).default(''),
  suffix: text(120).default(''),
  title: text(240).default(''),
  department: text(240).default(''),
  company: text(240).default(''),
  /** As a person left them: an unusual one may be filed knowingly. */
  emails: z.array(text(254).toLowerCase().min(1)).max(12).default([]),
  phones: z.array(PhoneEntry).max(12).default([]),
  websites: z.array(text(500).min(1)).max(12).default([]),
  street: text(300).default(''),
  postalCode: text(30).default(''),
  locality: text(120).default(''),
  region: text(120).default(''),
  country: text(60).default(''),
  more: z
    .array(z.object({ label: text(60), value: text(500).min(1), address: AddressParts.optional() }))
    .max(30)
    .default([]),
});
export type PersonFields = z.infer<typeof PersonFields>;

/** A person as lists show it. */
export const PersonSummary = z.object({
  id: z.uuid(),
  kind: PersonKind,
  fullName: z.string(),
  title: z.string(),
  company: z.string(),
  cardId: z.uuid().nullable(),
  updatedAt: z.iso.datetime(),
});
export type PersonSummary = z.infer<typeof PersonSummary>;

/** What was done to a person. */
export const Action = z.enum([
  'filed',
  'filedByItself',
  'updated',
  'newJob',
  'edited',
  'merged',
  'unmerged',
  'consentGiven',
  'consentWithdrawn',
  'deleted',
  'restored',
  'erased',
  'noted',
  'called',
  'visited',
  'noteChanged',
  'noteRemoved',
  'stepPlanned',
  'stepDone',
  'stepDropped',
  'shared',
  'shareEnded',
  'wroteTo',
  'answered',
  'planStarted',
  'planEnded',
  'qualified',
  'unqualified',
  'booked',
  'bookingMoved',
  'bookingCalledOff',
]);
export type Action = z.infer<typeof Action>;

/** By which way a person may be written to or called. */
export const Channel = z.enum(['email', 'phone', 'post']);
export type Channel = z.infer<typeof Channel>;

/** What a person agreed to. */
export const ConsentGiven = z.object({
  channels: z.array(Channel).min(1, 'Choose at least one way.').max(3),
  /** What for, in own words. */
  scope: text(200).min(1, 'Write what it is for.'),
  /** The words that were shown or said. */
  wording: text(1000).default(''),
  how: z.enum(['spoken', 'written', 'onScreen']),
});
export type ConsentGiven = z.infer<typeof ConsentGiven>;
export const Consent = ConsentGiven.extend({
  id: z.uuid(),
  /** `onPage` they ticked it themselves, where nobody of the team was. */
  how: z.enum([...ConsentGiven.shape.how.options, 'onPage']),
  givenAt: z.iso.datetime(),
  by: z.string(),
  withdrawnAt: z.iso.datetime().nullable(),
});
export type Consent = z.infer<typeof Consent>;

/** What a note is of: something that was said or seen, a call, a visit. */
export const NoteKind = z.enum(['note', 'call', 'visit']);
export type NoteKind = z.infer<typeof NoteKind>;
export const NoteFields = z.object({
  /** Made by the device, so that sending it twice makes one. */
  id: z.uuid().optional(),
  kind: NoteKind.default('note'),
  /** A call or visit may be noted without a word. */
  text: text(4000).default(''),
});
export type NoteFields = z.infer<typeof NoteFields>;
export const Note = z.object({
  id: z.uuid(),
  kind: NoteKind,
  text: z.string(),
  author: z.string(),
  authorId: z.uuid(),
  at: z.iso.datetime(),
  changedAt: z.iso.datetime().nullable(),
});
export type Note = z.infer<typeof Note>;

/** Something to do next about a person, see `Task`. */
export const NextStep = z.object({
  id: z.uuid(),
  text: z.string(),
  dueOn: z.iso.date().nullable(),
  dueTime: z.string().nullable(),
  by: z.string(),
});
export type NextStep = z.infer<typeof NextStep>;

/** One entry of a person's history. */
export const Change = z.object({
  id: z.uuid(),
  at: z.iso.datetime(),
  actor: z.string(),
  action: Action,
  cardId: z.uuid().nullable(),
  /** Field, value before and after; lists are joined with commas. */
  changes: z.array(z.object({ field: z.string(), before: z.string(), after: z.string() })),
});
export type Change = z.infer<typeof Change>;

export const Person = z.object({
  id: z.uuid(),
  kind: PersonKind,
  fullName: z.string(),
  owner: z.object({ id: z.uuid(), name: z.string() }),
  tags: z.array(z.string()),
  fields: PersonFields,
  /** The firm of the present job. */
  companyId: z.uuid().nullable(),
  /** In the workspace's own words; null for none. */
  rating: z.string().nullable(),
  /** How far a lead is, in the workspace's own words; null for none. */
  status: z.string().nullable(),
  /** When and why a lead was closed. */
  closed: z.object({ at: z.iso.datetime(), reason: z.string(), words: z.string() }).nullable(),
  /** When a lead became a contact. */
  qualifiedAt: z.iso.datetime().nullable(),
  consents: z.array(Consent),
  /** Jobs that have ended, the latest first. */
  formerJobs: z.array(
    z.object({
      id: z.uuid(),
      title: z.string(),
      company: z.string(),
      companyId: z.uuid().nullable(),
      startedAt: z.iso.datetime(),
      endedAt: z.iso.datetime(),
    }),
  ),
  /** Merges that can be undone, the latest first. */
  merges: z.array(z.object({ id: z.uuid(), at: z.iso.datetime(), by: z.string(), names: z.array(z.string()) })),
  deletedAt: z.iso.datetime().nullable(),
  notes: z.array(Note),
  /** What is to be done and not done yet, the next first. */
  steps: z.array(NextStep),
  /** Cards whose pictures are kept, the latest first. */
  cardIds: z.array(z.uuid()),
  /** The backs of these cards, by the card. */
  backs: z.record(z.uuid(), z.uuid()),
  history: z.array(Change),
  /** Goes up with every change; an update names the version it saw. */
  version: z.number().int(),
  createdAt: z.iso.datetime(),
  updatedAt: z.iso.datetime(),
});
export type Person = z.infer<typeof Person>;

/** What the workspace knows that a text could become; by the firm's domain as well for a company. */
export const SuggestionQuery = z.object({
  field: z.enum(['title', 'company']),
  q: z.string().trim().max(120).default(''),
  domain: z.string().trim().toLowerCase().max(253).optional(),
});
export type SuggestionQuery = z.infer<typeof SuggestionQuery>;
export const Suggestions = z.object({ items: z.array(z.string()) });
export type Suggestions = z.infer<typeof Suggestions>;

/** Filing a proved card: a new person, or an update of the one named in `known`. The `Idempotency-Key` header makes a repeat harmless. */
export const FileCard = z.object({
  cardId: z.uuid(),
  kind: PersonKind,
  fields: PersonFields,
  note: text(4000).default(''),
  tags: Tags.default([]),
  /** Who owns the new record; null for whoever files it. */
  ownerId: z.uuid().nullable().default(null),
  known: z
    .object({
      personId: z.uuid(),
      version: z.number().int(),
      /** The card is of the same person elsewhere: the old job ends and stays in the history. */
      newJob: z.boolean().default(false),
    })
    .nullable()
    .default(null),
  /** People this card was compared with and is not of: not asked again. */
  notSame: z.array(z.uuid()).max(20).default([]),
  rating: text(60).nullable().default(null),
  consent: ConsentGiven.nullable().default(null),
  /** The occasion's follow-up plan is not begun. */
  withoutPlan: z.boolean().default(false),
  /** Filed without having been compared with the people known, for want of a network: refused when somebody is. */
  uncompared: z.boolean().default(false),
});
export type FileCard = z.infer<typeof FileCard>;
/** As it is sent: what is left out is what is usual. */
export type FilingRequest = z.input<typeof FileCard>;

export const Filed = z.object({ personId: z.uuid(), outcome: z.enum(['created', 'updated', 'newJob']) });
export type Filed = z.infer<typeof Filed>;

/** A person's fields changed by hand; refused when they changed since that version. */
export const PersonEdit = z.object({
  version: z.number().int(),
  fields: PersonFields,
  kind: PersonKind,
  tags: Tags,
  rating: text(60).nullable(),
  /** Whose record it is from now on; left out for whose it was. */
  ownerId: z.uuid().optional(),
});
export type PersonEdit = z.infer<typeof PersonEdit>;

/** Bringing records of one person together into the one that stays. */
export const MergePeople = z.object({
  into: z.object({ id: z.uuid(), version: z.number().int() }),
  others: z
    .array(z.object({ id: z.uuid(), version: z.number().int() }))
    .min(1)
    .max(20),
  /** What the person is afterwards; without it what the usual choices give. */
  fields: PersonFields.nullable().default(null),
});
export type MergePeople = z.infer<typeof MergePeople>;
export const Merged = z.object({ mergeId: z.uuid(), personId: z.uuid() });
export type Merged = z.infer<typeof Merged>;

/** People filed by Dossier itself and not looked at since. */
export const FiledByItself = z.object({
  items: z.array(z.object({ personId: z.uuid(), cardId: z.uuid(), fullName: z.string(), at: z.iso.datetime() })),
  total: z.number().int(),
});
export type FiledByItself = z.infer<typeof FiledByItself>;
/** What of it was looked at, or is to go back into the tray. */
export const PersonIds = z.object({ personIds: z.array(z.uuid()).min(1).max(500) });
export type PersonIds = z.infer<typeof PersonIds>;

/** Whom somebody deleted, until when they can be brought back. */
export const DeletedPeople = z.object({
  items: z.array(
    z.object({ personId: z.uuid(), fullName: z.string(), deletedAt: z.iso.datetime(), goneAt: z.iso.datetime() }),
  ),
});
export type DeletedPeople = z.infer<typeof DeletedPeople>;

/** Likelihoods, 0–1, from which two records are taken for one person, and from which somebody is asked. */
export const MatchLimits = z
  .object({ same: z.number().min(0.5).max(0.999), perhaps: z.number().min(0.01).max(0.5) })
  .refine(
    ({ same, perhaps }) => perhaps < same,
    'Whoever is taken for the same must be likelier than whoever is asked about.',
  );
export type MatchLimits = z.infer<typeof MatchLimits>;

/** What the workspace lets be filed without a person, its words for rating, and when two are one person. */
export const FilingSettings = z.object({
  filesItself: z.boolean(),
  ratings: z.array(text(60).min(1)).max(12),
  limits: MatchLimits,
});
export type FilingSettings = z.infer<typeof FilingSettings>;

/** All tags in use, with how many people have them. */
export const TagList = z.object({ items: z.array(z.object({ tag: z.string(), people: z.number().int() })) });
export type TagList = z.infer<typeof TagList>;
/** Another word for a tag; the word of another tag makes one of both. */
export const TagRename = z.object({ from: Tag, to: Tag });
export type TagRename = z.infer<typeof TagRename>;

export const VcardQuery = z.object({
  version: z.enum(['4.0', '3.0']).default('4.0'),
  picture: z.enum(['0', '1']).default('0'),
});
