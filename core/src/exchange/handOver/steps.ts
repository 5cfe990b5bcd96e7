import { countryCode } from '../countryCode';

/** A small change of values on their way into a field of another system. */
export type HandOverStep =
  /** Several become one. */
  | { do: 'join'; with: string }
  | { do: 'first' }
  /** The part of each before, between or behind a text: the first is 0, the last −1. */
  | { do: 'part'; at: string; take: number }
  | { do: 'upper' }
  | { do: 'lower' }
  /** @see countryNameIn */
  | { do: 'countryName'; language: string }
  | { do: 'countryCode' }
  /** Other words for some; what stands in no row is `otherwise`, or a fault where that is null. */
  | { do: 'lookUp'; rows: readonly { from: string; to: string }[]; otherwise: string | null }
  /** A day as 2026-03-24 in another order: YYYY, MM and DD stand for its parts. */
  | { do: 'date'; format: string }
  /** To so many characters, as readers count them. */
  | { do: 'cut'; length: number };

/** Thrown for a value of which a step can make nothing; its words are for whoever sets the mapping up. */
export class NotPossible extends Error {}

const characters = new Intl.Segmenter(undefined, { granularity: 'grapheme' });

/** @throws NotPossible */
export function taken(step: HandOverStep, values: readonly string[]): string[] {
  switch (step.do) {
    case 'join':
      return values.length > 0 ? [values.join(step.with)] : [];
    case 'first':
      return values.slice(0, 1);
    case 'part':
      return values.map((value) => value.split(step.at).at(step.take)?.trim() ?? '').filter(Boolean);
    case 'upper':
      return values.map((value) => value.toUpperCase());
    case 'lower':
      return values.map((value) => value.toLowerCase());
    case 'countryName':
      return values.map((value) => countryNameIn(value, step.language));
    case 'countryCode':
      return values.map((value) => countryCode(value) ?? notPossible(`“${value}” is no country that is known.`));
    case 'lookUp':
      return values.flatMap((value) => lookedUp(step, value));
    case 'date':
      return values.map((value) => dateAs(step.format, value));
    case 'cut':
      return values.map((value) => cut(value, step.length));
  }
}

function notPossible(words: string): never {
  throw new NotPossible(words);
}

/** The name of a country that is written as code or name, in a language (BCP 47). */
function countryNameIn(value: string, language: string): string {
  const code = countryCode(value);
  return (code && new Intl.DisplayNames(language, { type: 'region', fallback: 'none' }).of(code)) || value;
}

function lookedUp({ rows, otherwise }: Extract<HandOverStep, { do: 'lookUp' }>, value: string): string[] {
  const row = rows.find(({ from }) => from.trim().toLowerCase() === value.trim().toLowerCase());
  const found = row ? row.to : (otherwise ?? notPossible(`“${value}” stands in no row of the table.`));
  return found ? [found] : [];
}

function dateAs(format: string, value: string): string {
  const [, year, month, day] = /^(\d{4})-(\d{2})-(\d{2})/.exec(value) ?? notPossible(`“${value}” is no day.`);
  return format.replace('YYYY', year!).replace('MM', month!).replace('DD', day!);
}

function cut(value: string, length: number): string {
  const all = [...characters.segment(value)];
  return all.length <= length ? value : all.slice(0, length).map(({ segment }) => segment).join('').trimEnd(); // prettier-ignore
}
