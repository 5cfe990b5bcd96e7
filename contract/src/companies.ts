import { z } from 'zod';

/** Orders of firms: by name, most people first, latest first. */
export const CompanyOrder = z.enum(['name', 'people', 'new']);
export type CompanyOrder = z.infer<typeof CompanyOrder>;

/** Without an order, those whose names fit the words best come first, or else by name. */
export const CompaniesQuery = z.strictObject({
  q: z.string().trim().max(120).default(''),
  sort: CompanyOrder.optional(),
  cursor: z.string().max(600).optional(),
  limit: z.coerce.number().int().min(1).max(100).default(40),
});
export type CompaniesQuery = z.infer<typeof CompaniesQuery>;

/** All of a list as a table. */
export const CompaniesTakenQuery = CompaniesQuery.omit({ cursor: true, limit: true }).extend({
  format: z.enum(['csv', 'xlsx']),
});
export type CompaniesTakenQuery = z.infer<typeof CompaniesTakenQuery>;

/** A firm as a list shows it. */
export const ListedCompany = z.object({
  id: z.uuid(),
  name: z.string(),
  /** How many work there now. */
  people: z.number().int(),
  town: z.string(),
  /** An older name or another spelling, where that is what was looked for. */
  knownAs: z.string().nullable(),
});
export type ListedCompany = z.infer<typeof ListedCompany>;
export const CompaniesPage = z.object({ items: z.array(ListedCompany), next: z.string().nullable() });
export type CompaniesPage = z.infer<typeof CompaniesPage>;

const Somebody = z.object({
  id: z.uuid(),
  fullName: z.string(),
  title: z.string(),
  cardId: z.uuid().nullable(),
  /** The year in which a former job ended. */
  endedAt: z.iso.datetime().nullable(),
});

export const CompanyNoteFields = z.object({ text: z.string().trim().min(1, 'Write what there is to note.').max(4000) });
export const CompanyNote = z.object({
  id: z.uuid(),
  text: z.string(),
  author: z.string(),
  authorId: z.uuid(),
  at: z.iso.datetime(),
  changedAt: z.iso.datetime().nullable(),
});
export type CompanyNote = z.infer<typeof CompanyNote>;

/** What was done to a firm; people who were given to another firm can be given back, and firms parted again. */
export const CompanyAct = z.object({
  id: z.uuid(),
  at: z.iso.datetime(),
  by: z.string(),
  action: z.enum(['renamed', 'merged', 'peopleLeft', 'peopleCame']),
  before: z.string(),
  after: z.string(),
  people: z.number().int(),
  /** The other firm of it. */
  otherId: z.uuid().nullable(),
  undoneAt: z.iso.datetime().nullable(),
  canUndo: z.boolean(),
});
export type CompanyAct = z.infer<typeof CompanyAct>;

/** A firm with what is known of it from the cards of its people. */
export const Company = z.object({
  id: z.uuid(),
  name: z.string(),
  version: z.number().int(),
  /** Older names and other spellings that mean this firm too. */
  otherNames: z.array(z.string()),
  present: z.array(Somebody),
  presentTotal: z.number().int(),
  former: z.array(Somebody),
  formerTotal: z.number().int(),
  /** Each with how many people have it, the most common first. */
  domains: z.array(z.object({ value: z.string(), people: z.number().int() })),
  phones: z.array(z.object({ value: z.string(), people: z.number().int() })),
  websites: z.array(z.object({ value: z.string(), people: z.number().int() })),
  addresses: z.array(
    z.object({
      street: z.string(),
      postalCode: z.string(),
      locality: z.string(),
      region: z.string(),
      country: z.string(),
      people: z.number().int(),
    }),
  ),
  notes: z.array(CompanyNote),
  history: z.array(CompanyAct),
});
export type Company = z.infer<typeof Company>;

const Name = z.string().trim().min(1, 'Write the name of the firm.').max(240);
export const CompanyRename = z.object({ name: Name, version: z.number().int() });
export type CompanyRename = z.infer<typeof CompanyRename>;

/** Firms that are the same as this one. */
export const CompanyMerge = z.object({ otherIds: z.array(z.uuid()).min(1, 'Choose a firm.').max(20) });
export type CompanyMerge = z.infer<typeof CompanyMerge>;

/** People of a firm who belong to another one, which is made when there is none of that name. */
export const PeopleMove = z.object({ personIds: z.array(z.uuid()).min(1, 'Choose somebody.').max(500), to: Name });
export type PeopleMove = z.infer<typeof PeopleMove>;

/** A mark cut out of a card of somebody who works there: its place in pixels of that card. Null where there is none to be found. */
export const CompanyLogo = z.object({
  logo: z
    .object({
      cardId: z.uuid(),
      pictureId: z.uuid(),
      cardWidth: z.number(),
      area: z.object({ left: z.number(), top: z.number(), width: z.number(), height: z.number() }),
    })
    .nullable(),
});
export type CompanyLogo = z.infer<typeof CompanyLogo>;
