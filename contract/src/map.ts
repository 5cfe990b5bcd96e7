import { z } from 'zod';
import { PeopleQuery } from './list';

const Lat = z.number().min(-90).max(90);
const Lon = z.number().min(-180).max(180);
const At = { lat: Lat, lon: Lon };

/** More people than these are not put on one map; it says so. */
export const MOST_ON_MAP = 10_000;

/** Whom a map shows: a list as it is narrowed. */
export const MapQuery = PeopleQuery.omit({ cursor: true, limit: true });
export type MapQuery = z.infer<typeof MapQuery>;

/** A town of the gazetteer. */
export const MapTown = z.object({
  name: z.string(),
  country: z.string(),
  region: z.string(),
  population: z.number().int(),
  ...At,
});
export type MapTown = z.infer<typeof MapTown>;

/** How people write where they are, where that does not say where it is. */
const Unplaced = z.object({
  locality: z.string(),
  postalCode: z.string(),
  country: z.string(),
  people: z.number().int(),
  /** One of them, to be looked at. */
  personId: z.uuid(),
  /** Several towns are called so; none where none is known. */
  towns: z.array(MapTown),
});
export type Unplaced = z.infer<typeof Unplaced>;

export const PeopleMap = z.object({
  /** Everybody at one place together. */
  places: z.array(
    z.object({
      label: z.string(),
      ...At,
      /** `own` where the team has said so. */
      by: z.enum(['town', 'own']),
      people: z.array(z.object({ id: z.uuid(), name: z.string(), company: z.string() })),
    }),
  ),
  unplaced: z.array(Unplaced),
  /** How many have no town and no postal code. */
  without: z.number().int(),
  /** How many the list has. */
  total: z.number().int(),
});
export type PeopleMap = z.infer<typeof PeopleMap>;

export const TownsQuery = z.object({ q: z.string().trim().min(2, 'Write at least two letters.').max(80) });
export const Towns = z.object({ items: z.array(MapTown) });
export type Towns = z.infer<typeof Towns>;

/** A place as the team names it: a town, the beginning of postal codes, or both. */
export const OwnPlaceFields = z
  .strictObject({
    country: z
      .string()
      .regex(/^[A-Z]{2}$/)
      .or(z.literal('')),
    town: z.string().trim().max(120).default(''),
    postalCode: z.string().trim().max(30).default(''),
    ...At,
  })
  .refine(({ town, postalCode }) => town !== '' || postalCode !== '', 'Write a town or a postal code.');
export type OwnPlaceFields = z.infer<typeof OwnPlaceFields>;
export const OwnPlaces = z.object({
  items: z.array(z.object({ id: z.uuid(), country: z.string(), town: z.string(), postalCode: z.string(), by: z.string(), ...At })), // prettier-ignore
});
export type OwnPlaces = z.infer<typeof OwnPlaces>;
