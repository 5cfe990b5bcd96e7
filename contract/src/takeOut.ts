import { z } from 'zod';
import { ChosenPeople } from './changes';
import { PeopleQuery } from './list';

export const TAKE_OUT_FORMATS = ['vcard', 'csv', 'xlsx', 'json'] as const;
export const TakeOutFormat = z.enum(TAKE_OUT_FORMATS);
export type TakeOutFormat = z.infer<typeof TakeOutFormat>;

const YesNo = z.enum(['0', '1']).default('0');
const listOf = <T extends z.ZodType>(each: T) =>
  z.preprocess((given) => (given === undefined ? [] : Array.isArray(given) ? given : [given]), z.array(each).max(200));

/** How people are taken out, as it stands in an address. */
const HOW = {
  format: TakeOutFormat,
  /** Of vCards. */
  version: z.enum(['4.0', '3.0']).default('4.0'),
  /** One file each, or the file and what belongs to it, packed together. */
  zip: YesNo,
  /** Pictures of cards: within the file where its format can hold them, or beside it, which packs both together. */
  pictures: z.enum(['none', 'inside', 'beside']).default('none'),
  /** Between the cells of a CSV file. */
  delimiter: z.enum(['comma', 'semicolon', 'tab']).default('comma'),
  /** Whether a CSV file says by its first bytes that it is UTF-8: some spreadsheets take it for something else without. */
  mark: z.enum(['0', '1']).default('1'),
  /** Columns of a table in their order, each by its key, perhaps with a name of its own behind an equals sign; all without. */
  column: listOf(z.string().trim().min(1).max(120)),
} as const;

/** Everybody whom the list shows, in its order. */
export const TakeOutQuery = PeopleQuery.omit({ cursor: true, limit: true }).extend(HOW);
export type TakeOutQuery = z.infer<typeof TakeOutQuery>;
/** As it stands in an address. */
export type TakeOutHow = { [name in keyof typeof HOW]?: name extends 'column' ? readonly string[] : string };

/** People who were chosen, in the order of their names. */
export const TakeOutRequest = z.strictObject({ who: ChosenPeople, ...HOW });
export type TakeOutRequest = z.infer<typeof TakeOutRequest>;

/** Which columns there are for people. */
export const TakeOutColumnsRequest = z.strictObject({ who: ChosenPeople });

/** A column that can be taken out. */
export const TakeOutColumn = z.object({ key: z.string(), header: z.string(), about: z.string() });
export const TakeOutColumns = z.object({ people: z.number().int(), columns: z.array(TakeOutColumn) });
export type TakeOutColumns = z.infer<typeof TakeOutColumns>;
