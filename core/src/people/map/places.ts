import { foldTight } from '../../text';
import { kilometres, type At } from './distance';

/** A town of a gazetteer. */
export interface Town extends At {
  name: string;
  /** ISO 3166-1. */
  country: string;
  /** What the gazetteer calls the part of the country. */
  region: string;
  population: number;
}

/** Where somebody is, as their record says it. */
export interface Wanted {
  locality: string;
  postalCode: string;
  region: string;
  /** ISO 3166-1, or as it was written. */
  country: string;
}

/** A place that a team has named itself: a town, or the beginning of its postal codes. */
export interface OwnPlace extends At {
  country: string;
  /** Folded; empty where the postal code alone says it. */
  town: string;
  /** Folded beginning of a postal code; empty for all of the town. */
  postal: string;
}

export type Placed =
  | ({ kind: 'placed'; by: 'own' | 'town'; label: string } & At)
  /** Several towns are called so, and nothing tells which. */
  | { kind: 'several'; towns: Town[] }
  | { kind: 'unknown' };

/** Towns of one name so near to each other are one for whoever drives there. */
const TOGETHER_KM = 15;
const MOST_SHOWN = 12;

export const placeKey = (text: string): string => foldTight(text);

/**
 * Where somebody is: what the team has said itself, or the one town of that name in their country, told apart by its part of the country
 * where there are several. Nothing is guessed: several that are left are given back as such.
 * @param towns of that name, in all countries
 */
export function placeOf(wanted: Wanted, towns: readonly Town[], own: readonly OwnPlace[]): Placed {
  const [town, postal] = [placeKey(wanted.locality), placeKey(wanted.postalCode)];
  const country = /^[A-Z]{2}$/.test(wanted.country) ? wanted.country : '';
  const label = [wanted.locality, country].filter(Boolean).join(', ') || wanted.postalCode;
  const said = own
    .filter((place) => (!place.country || place.country === country) && (!place.town || place.town === town) && (!place.postal || (postal !== '' && postal.startsWith(place.postal)))) // prettier-ignore
    // The most exact one first.
    .sort((a, b) => b.postal.length - a.postal.length || b.town.length - a.town.length || b.country.length - a.country.length)[0]; // prettier-ignore
  if (said) return { kind: 'placed', by: 'own', label, lat: said.lat, lon: said.lon };
  if (!town) return { kind: 'unknown' };
  let left = towns.filter((one) => !country || one.country === country);
  const region = placeKey(wanted.region);
  const ofRegion = left.filter((one) => region !== '' && placeKey(one.region) === region);
  if (ofRegion.length > 0) left = ofRegion;
  left = largestOfEach(left);
  const [only, ...others] = left;
  if (!only) return { kind: 'unknown' };
  if (others.length > 0) return { kind: 'several', towns: left.slice(0, MOST_SHOWN) };
  return { kind: 'placed', by: 'town', label: country ? label : `${wanted.locality}, ${only.country}`, lat: only.lat, lon: only.lon }; // prettier-ignore
}

/** Of towns that lie together the largest, the largest of all first. */
function largestOfEach(towns: readonly Town[]): Town[] {
  const kept: Town[] = [];
  for (const town of [...towns].sort((a, b) => b.population - a.population))
    if (!kept.some((one) => one.country === town.country && kilometres(one, town) < TOGETHER_KM)) kept.push(town);
  return kept;
}
