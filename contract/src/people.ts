import { z } from 'zod';
import { Tags } from './tag';

const text = (max: number) => z.string().trim().max(max);

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

export const PeoplePage = z.object({
  items: z.array(PersonSummary),
  total: z.number().int(),
  next: z.string().nullable(),
});
export type PeoplePage = z.infer<typeof PeoplePage>;

export const PeopleQuery = z.object({
  q: z.string().trim().max(120).default(''),
  cursor: z.string().max(400).optional(),
  limit: z.coerce.number().int().min(1).max(100).default(40),
});

/** One entry of a person's history. */
export const Change = z.object({
  id: z.uuid(),
  at: z.iso.datetime(),
  actor: z.string(),
  action: z.enum(['filed', 'updated']),
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
  notes: z.array(z.object({ id: z.uuid(), text: z.string(), author: z.string(), at: z.iso.datetime() })),
  /** Cards whose pictures are kept, the latest first. */
  cardIds: z.array(z.uuid()),
  history: z.array(Change),
  /** Goes up with every change; an update names the version it saw. */
  version: z.number().int(),
  createdAt: z.iso.datetime(),
  updatedAt: z.iso.datetime(),
});
export type Person = z.infer<typeof Person>;

/** Who is already known under one of these addresses or numbers. */
export const MatchQuery = z.object({
  emails: z.array(z.string().max(254)).max(12),
  phones: z.array(z.string().max(60)).max(12),
});
export type MatchQuery = z.infer<typeof MatchQuery>;

export const Match = z.object({
  person: Person,
  /** In words: which address or number is the same. */
  reasons: z.array(z.string()),
});
export type Match = z.infer<typeof Match>;
export const Matches = z.object({ matches: z.array(Match) });
export type Matches = z.infer<typeof Matches>;

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
  known: z.object({ personId: z.uuid(), version: z.number().int() }).nullable().default(null),
  /** Filed without having been compared with the people known, for want of a network: refused when somebody is. */
  uncompared: z.boolean().default(false),
});
export type FileCard = z.infer<typeof FileCard>;

export const Filed = z.object({ personId: z.uuid(), outcome: z.enum(['created', 'updated']) });
export type Filed = z.infer<typeof Filed>;

export const VcardQuery = z.object({
  version: z.enum(['4.0', '3.0']).default('4.0'),
  picture: z.enum(['0', '1']).default('0'),
});
