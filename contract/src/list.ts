import { z } from 'zod';
import { anyOf } from './anyOf';
import { Channel, PersonKind, PersonSource } from './people';
import { Tag } from './tag';

const Day = z.iso.date('Write the day as 2026-03-24.');
const YesNo = z.enum(['yes', 'no']);

/** What a list of people can be narrowed by: within one of these one value is enough, together all of them must hold. */
export const FACETS = {
  occasion: z.uuid(),
  kind: PersonKind,
  owner: z.uuid(),
  tag: Tag,
  /** In the workspace's own words; empty for none. */
  rating: z.string().trim().max(60),
  company: z.uuid(),
  /** As the record has it, an ISO 3166 code where it is known. */
  country: z.string().trim().max(60),
  town: z.string().trim().max(120),
  /** What may be used, by what was agreed to; none where nothing was. */
  consent: z.enum([...Channel.options, 'none']),
  /** Whether there is something to do. */
  task: z.enum(['open', 'none']),
  email: YesNo,
  phone: YesNo,
  /** What became of a lead; of contacts only those have one who were leads. */
  lead: z.enum(['open', 'closed', 'qualified']),
  /** How far a lead is, in the workspace's own words; empty for none. */
  status: z.string().trim().max(60),
  /** Whether they were ever written to. */
  written: YesNo,
  /** How far whoever is or was a lead has come. */
  reached: z.enum(['filed', 'written', 'answered', 'qualified', 'business', 'won']),
  /** Why a lead was closed. */
  reason: z.string().trim().max(60),
  /** How they came to be here. */
  source: PersonSource,
} as const;
export type Facet = keyof typeof FACETS;
export const FACET_NAMES = Object.keys(FACETS) as Facet[];

export const ListOrder = z.enum(['name', 'company', 'filed', 'touched', 'next']);
export type ListOrder = z.infer<typeof ListOrder>;

/** Which people, however they are ordered. */
export const Narrowing = z.strictObject({
  q: z.string().trim().max(120).default(''),
  occasion: anyOf(FACETS.occasion),
  kind: anyOf(FACETS.kind),
  owner: anyOf(FACETS.owner),
  tag: anyOf(FACETS.tag),
  rating: anyOf(FACETS.rating),
  company: anyOf(FACETS.company),
  country: anyOf(FACETS.country),
  town: anyOf(FACETS.town),
  consent: anyOf(FACETS.consent),
  task: anyOf(FACETS.task),
  email: anyOf(FACETS.email),
  phone: anyOf(FACETS.phone),
  lead: anyOf(FACETS.lead),
  status: anyOf(FACETS.status),
  reason: anyOf(FACETS.reason),
  written: anyOf(FACETS.written),
  reached: anyOf(FACETS.reached),
  source: anyOf(FACETS.source),
  /** First and last day on which they were filed, in UTC. */
  filedFrom: Day.optional(),
  filedTo: Day.optional(),
});
export type Narrowing = z.infer<typeof Narrowing>;
/** As it stands in an address. */
export type NarrowingInput = Partial<Record<Facet, string | readonly string[]>> & {
  q?: string;
  filedFrom?: string;
  filedTo?: string;
};

/** An order, the other way round with `-` before it. */
const Sort = z.string().transform((said, context): { by: ListOrder; backwards: boolean } => {
  const by = ListOrder.safeParse(said.replace(/^-/, ''));
  if (by.success) return { by: by.data, backwards: said.startsWith('-') };
  context.addIssue({
    code: 'custom',
    message: `There is no order “${said.slice(0, 40)}”. Use ${ListOrder.options.join(', ')}, or one of them after a minus for the other way round.`,
  });
  return z.NEVER;
});

/** Without an order, those who fit the words best come first, or else by name. */
export const PeopleQuery = z.strictObject(
  {
    ...Narrowing.shape,
    sort: Sort.optional(),
    cursor: z.string().max(600).optional(),
    limit: z.coerce.number().int().min(1).max(100).default(40),
  },
  {
    error: (issue) =>
      issue.code === 'unrecognized_keys'
        ? `A list cannot be narrowed by “${issue.keys.join('”, “')}”. Use ${FACET_NAMES.join(', ')}, filedFrom or filedTo.`
        : undefined,
  },
);

/** A list that is kept under a name, for oneself or for the team. */
export const ListViewFields = z.object({
  name: z.string().trim().min(1, 'Give the view a name.').max(80, 'Use at most 80 characters.'),
  /** Its narrowing and order, as they stand in its address. */
  query: z.string().max(4000),
  forTeam: z.boolean().default(false),
});
export type ListViewFields = z.infer<typeof ListViewFields>;
export const ListView = ListViewFields.extend({
  id: z.uuid(),
  query: z.string(),
  ownerId: z.uuid(),
  owner: z.string(),
});
export type ListView = z.infer<typeof ListView>;
export const ListViews = z.object({ items: z.array(ListView) });
export type ListViews = z.infer<typeof ListViews>;

/** How sure a number is: counted, judged by a part of all, or the least that it is. */
export const Counted = z.enum(['exact', 'about', 'least']);
export type Counted = z.infer<typeof Counted>;

/** Where in a record what was looked for stands, shown where the row does not show it. */
export const FoundText = z.object({
  field: z.string(),
  text: z.string(),
  /** Letters of the text, from and to. */
  ranges: z.array(z.tuple([z.number().int(), z.number().int()])),
});
export type FoundText = z.infer<typeof FoundText>;

/** A person as a list shows it. */
export const ListedPerson = z.object({
  id: z.uuid(),
  version: z.number().int(),
  kind: PersonKind,
  fullName: z.string(),
  givenName: z.string(),
  familyName: z.string(),
  title: z.string(),
  department: z.string(),
  company: z.string(),
  companyId: z.uuid().nullable(),
  email: z.string(),
  phone: z.string(),
  phoneExtension: z.string(),
  street: z.string(),
  postalCode: z.string(),
  town: z.string(),
  region: z.string(),
  country: z.string(),
  rating: z.string().nullable(),
  ownerId: z.uuid(),
  tags: z.array(z.string()),
  occasionIds: z.array(z.uuid()),
  cardId: z.uuid().nullable(),
  filedAt: z.iso.datetime(),
  touchedAt: z.iso.datetime(),
  /** The day of the next step. */
  nextOn: z.iso.date().nullable(),
  found: z.array(FoundText),
});
export type ListedPerson = z.infer<typeof ListedPerson>;

export const PeoplePage = z.object({
  items: z.array(ListedPerson),
  total: z.number().int(),
  counted: Counted,
  next: z.string().nullable(),
});
export type PeoplePage = z.infer<typeof PeoplePage>;

const FacetName = z.enum(FACET_NAMES, {
  error: ({ input }) => `There is no facet “${String(input).slice(0, 40)}”. Use ${FACET_NAMES.join(', ')}.`,
});

/** Which values people have who fit, the most frequent first; those of a facet that is narrowed by as if it were not. */
export const FacetsQuery = z.strictObject({ ...Narrowing.shape, facet: anyOf(FacetName) });
export const FacetValue = z.object({ value: z.string(), label: z.string(), people: z.number().int() });
export type FacetValue = z.infer<typeof FacetValue>;
export const PeopleFacets = z.object({
  facets: z.array(z.object({ facet: z.enum(FACET_NAMES), counted: Counted, values: z.array(FacetValue) })),
});
export type PeopleFacets = z.infer<typeof PeopleFacets>;
