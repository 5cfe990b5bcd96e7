import { fold } from '../../text';
import type { OutsideValue } from './mapping';

type Json = unknown;
type Values = Readonly<Record<string, OutsideValue>>;

/** A request to another system: `{name}` in its path stands for a value of the record, `{ref}` for the record's own reference there. */
export interface OutsideRequestShape {
  method: string;
  path: string;
}

/** How records of one kind are found, made and changed in another system, and where in its answers what stands. */
export interface OutsideObject {
  /** Tried in order; one whose path takes a value that is not known is left out. `at` as in `found`, where another one. */
  find: readonly (OutsideRequestShape & { at: string | null })[];
  create: OutsideRequestShape;
  update: OutsideRequestShape;
  /** Header that names what is made, so that the same sent twice is one record; null where there is none. */
  onceHeader: string | null;
  /** Where the fields stand within what is sent, such as `data`; empty for all of it. */
  bodyAt: string;
  /** Within the answer of what was made or changed. */
  refAt: string;
  linkAt: string;
  /** Within the answer of finding: the record that was found, such as `records.0`, and what stands in it. */
  found: { at: string; refAt: string; linkAt: string; valuesAt: string };
}

/** A path with its values in place; undefined where one of them is not known. */
export function filledPath(path: string, values: Values, ref?: string): string | undefined {
  let isWhole = true;
  const filled = path.replace(/\{([^{}]+)\}/g, (_, name: string) => {
    const value = name === 'ref' ? ref : Object.hasOwn(values, name) ? values[name] : undefined;
    // Dots alone lead to another path, however they are written.
    if (value === undefined || Array.isArray(value) || /^\.{0,2}$/.test(String(value))) isWhole = false;
    return encodeURIComponent(String(value));
  });
  return isWhole ? filled : undefined;
}

/** What stands at a place of an answer, such as `records.0.ref`; undefined where there is none. All of it for an empty place. */
export function valueAt(json: Json, place: string): Json {
  return place
    .split('.')
    .filter(Boolean)
    .reduce<Json>((at, key) => (typeof at === 'object' && at !== null && Object.hasOwn(at, key) ? (at as Record<string, Json>)[key] : undefined), json); // prettier-ignore
}

/** As `valueAt`, as text: numbers too, since many systems number their records. */
export function textAt(json: Json, place: string): string | undefined {
  const value = valueAt(json, place);
  return typeof value === 'string' ? value || undefined : typeof value === 'number' ? String(value) : undefined;
}

/** The body of a request. @param bodyAt where the fields stand in it */
export const bodyOf = (values: Values, bodyAt: string): Json =>
  bodyAt
    .split('.')
    .filter(Boolean)
    .reduceRight<Json>((inner, key) => ({ [key]: inner }), values);

/** A record that was found in another system. */
export interface FoundRecord {
  ref: string;
  link: string | undefined;
  values: Readonly<Record<string, Json>>;
}

/** What an answer to finding has found; undefined for nobody. */
export function foundIn(json: Json, { found }: Pick<OutsideObject, 'found'>): FoundRecord | undefined {
  const record = valueAt(json, found.at);
  const ref = textAt(record, found.refAt);
  if (ref === undefined) return undefined;
  const values = valueAt(record, found.valuesAt);
  const isObject = typeof values === 'object' && values !== null && !Array.isArray(values);
  return { ref, link: textAt(record, found.linkAt), values: isObject ? (values as Record<string, Json>) : {} };
}

/**
 * Whether a record that was found is one that was asked for. Systems that do not know what a request is narrowed by answer with everybody:
 * whoever comes first there is then somebody else. What is not told of the record speaks neither for nor against it.
 * @param path of the request that found it @param asked the values that it was filled with
 */
export function isAskedFor(path: string, asked: Values, { values }: Pick<FoundRecord, 'values'>): boolean {
  return [...path.matchAll(/\{([^{}]+)\}/g)].every(([, name]) => {
    const there = Object.hasOwn(values, name!) ? values[name!] : undefined;
    const told = (Array.isArray(there) ? there : [there]).map(inWords).filter(Boolean);
    return name === 'ref' || told.length === 0 || told.some((one) => isAlike(one, inWords(asked[name!])));
  });
}

const NUMBER = /^\+?[\d\s()./-]{6,}$/;
/** Numbers of phones are written in many ways, with the code of their country or without. */
const LAST_DIGITS = 7;

function isAlike(one: string, other: string): boolean {
  if (!NUMBER.test(one) || !NUMBER.test(other)) return fold(one) === fold(other);
  const [digits, others] = [one, other].map((text) => text.replace(/\D/g, ''));
  return digits!.slice(-LAST_DIGITS) === others!.slice(-LAST_DIGITS);
}

export interface OutsideChange {
  /** Fields that are others there, or not there yet. Empty where nothing is to be sent. */
  send: Record<string, OutsideValue>;
  /** What stood there instead: a suggestion for whoever looks at the person here. */
  theirs: { to: string; there: string; here: string }[];
  /** What of ours stands there afterwards, or stood there when it was sent last. */
  kept: Record<string, OutsideValue>;
}

/**
 * What is to be sent of a record so that another system has it: only what is another one there. Nothing is ever emptied. What was changed
 * there since, and not here, stays as it is there.
 * @param sent what of ours stood there last; undefined where the record was made there
 */
export function changeOf(record: Values, there: Readonly<Record<string, Json>>, sent?: Values): OutsideChange {
  const change: OutsideChange = { send: {}, theirs: [], kept: {} };
  for (const [to, here] of Object.entries(record)) {
    const [theirs, ours, last] = [inWords(there[to]), inWords(here), inWords(sent?.[to])];
    const isTheirs = theirs !== '' && theirs !== ours && theirs !== last;
    const stays = isTheirs && last === ours;
    if (isTheirs) change.theirs.push({ to, there: theirs, here: ours });
    if (theirs !== ours && !stays) change.send[to] = here;
    change.kept[to] = here;
  }
  return change;
}

const inWords = (value: Json): string =>
  Array.isArray(value)
    ? value.map(inWords).sort().join(', ')
    : value === undefined || value === null || typeof value === 'object'
      ? ''
      : String(value as string | number | boolean).trim();
