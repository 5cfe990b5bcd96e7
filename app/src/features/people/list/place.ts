import { FACET_NAMES, type Facet, type ListOrder } from '@dossier/contract';

/** Which people a list shows, and in which order: what stands in the address of the page. */
export interface ListPlace {
  q: string;
  /** Values by facet; none where a facet is not narrowed by. */
  marks: Readonly<Partial<Record<Facet, readonly string[]>>>;
  filedFrom: string;
  filedTo: string;
  /** An order, after a minus the other way round; empty for the usual one. */
  sort: string;
}

export const EVERYBODY: ListPlace = { q: '', marks: {}, filedFrom: '', filedTo: '', sort: '' };

type Params = Readonly<Record<string, string | string[] | undefined>>;

const listed = (value: string | string[] | undefined): string[] => (value === undefined ? [] : [value].flat());

/** What stands in an address; what lists know nothing of is passed over. */
export function placeOf(params: Params): ListPlace {
  const marks: Partial<Record<Facet, string[]>> = {};
  for (const facet of FACET_NAMES) {
    const values = [...new Set(listed(params[facet]))];
    if (values.length > 0) marks[facet] = values;
  }
  const one = (name: string) => listed(params[name])[0] ?? '';
  return { q: one('q'), marks, filedFrom: one('filedFrom'), filedTo: one('filedTo'), sort: one('sort') };
}

/** What `placeOf` reads; undefined for what is not in the address. */
export function paramsOf({ marks, ...rest }: ListPlace): Record<string, string | string[] | undefined> {
  const params: Record<string, string | string[] | undefined> = {};
  for (const [name, value] of Object.entries(rest)) params[name] = value || undefined;
  for (const facet of FACET_NAMES) {
    const values = [...(marks[facet] ?? [])];
    params[facet] = values.length > 1 ? values : values[0];
  }
  return params;
}

/** As it stands in an address, always in the same order; empty for everybody. */
export function addressOf({ q, marks, filedFrom, filedTo, sort }: ListPlace): string {
  const pairs: [string, string][] = [];
  if (q) pairs.push(['q', q]);
  for (const facet of FACET_NAMES) for (const value of marks[facet] ?? []) pairs.push([facet, value]);
  for (const [name, value] of Object.entries({ filedFrom, filedTo, sort })) if (value) pairs.push([name, value]);
  return pairs.map((pair) => pair.map(encodeURIComponent).join('=')).join('&');
}

/** The place of an address kept under a name. */
export function placeOfAddress(address: string): ListPlace {
  const params: Record<string, string[]> = {};
  for (const [name, value] of new URLSearchParams(address)) (params[name] ??= []).push(value);
  return placeOf(params);
}

/** The place with a value of a facet more, or without it when it is there. */
export function toggled(place: ListPlace, facet: Facet, value: string): ListPlace {
  const values = place.marks[facet] ?? [];
  const next = values.includes(value) ? values.filter((one) => one !== value) : [...values, value];
  const { [facet]: _gone, ...others } = place.marks;
  return { ...place, marks: next.length > 0 ? { ...others, [facet]: next } : others };
}

export const isNarrowed = ({ marks, filedFrom, filedTo }: ListPlace): boolean =>
  Object.keys(marks).length > 0 || Boolean(filedFrom || filedTo);

/** Orders to choose from, by the words for them. */
export const ORDERS: readonly { value: string; label: string }[] = [
  { value: '', label: 'By name' },
  { value: 'company', label: 'By company' },
  { value: 'filed', label: 'Filed last' },
  { value: '-filed', label: 'Filed first' },
  { value: 'touched', label: 'Touched last' },
  { value: '-touched', label: 'Untouched longest' },
  { value: 'next', label: 'Next step' },
] satisfies { value: '' | ListOrder | `-${ListOrder}`; label: string }[];
