import type { PersonFields } from '../people';
import { credentials, nameParticles } from '../text/tables/nameWords';
import { lettersOf } from './letters';
import { readShape } from './likeness';
import { soundKey } from './soundKey';
import { toLatin } from './transliterate';

/** A name as it is compared: plain small letters, no forms of address, no letters behind. */
export interface NameForm {
  /** Given and middle names in order, "Karl-Heinz" in one; a single letter is an initial. */
  given: readonly string[];
  /** The same with compounds in their parts. */
  givenParts: readonly string[];
  /** Words of the family name without particles. */
  family: readonly string[];
  /** The family name in one word, without and with its particles. */
  familyLast: string;
  familyWhole: string;
  /** What tells most family names apart at a glance: their letters, those of their shape, and their sound. */
  familyLook: { letters: number; shape: number; sound: string };
  /** 1 for Sr and I, 2 for Jr and II, 3, 4; 0 when nothing is said. */
  generation: number;
  /** What a form of address says: "f" for Ms, Frau, Mme …, "m" for Mr, Herr, M. … */
  salutation: 'f' | 'm' | undefined;
}

type NameFields = Pick<PersonFields, 'prefix' | 'givenName' | 'middleName' | 'familyName' | 'suffix'>;

const GENERATIONS: Readonly<Record<string, number>> = {
  sr: 1, senior: 1, sen: 1, i: 1, jr: 2, junior: 2, jun: 2, filho: 2, ii: 2, '2nd': 2, iii: 3, '3rd': 3, iv: 4, '4th': 4,
}; // prettier-ignore
/** Forms of address that are no names, as they get into the column of given names. */
const FORMS_OF_ADDRESS = new Set(
  'dr mr mrs ms miss prof professor herr frau mme mlle sir ing dipl dott dottssa mgr sig sra dhr mevr rev capt'.split(
    ' ',
  ),
);
const WOMEN =
  /^(?:mrs|ms|miss|frau|fr|mme|mlle|madame|sra|srta|dona|dna|sigra|sig ra|signora|mevr|mevrouw|fru|pani|lady)$/;
const MEN = /^(?:mr|herr|hr|hrn|m|monsieur|sr|sig|signor|dhr|pan|sir)$/;

/** Digits that a reader mistakes for letters, and the letters they stand for. */
const DIGITS: Readonly<Record<string, string>> = {
  '0': 'o',
  '1': 'l',
  '3': 'e',
  '5': 's',
  '8': 'b',
  '|': 'l',
  '!': 'l',
};

const TWO_LETTER_VOWELS: readonly (readonly [RegExp, string])[] = [
  [/([aou])e/g, '$1'],
  [/aa/g, 'a'],
];

/** Plain letters of a word of a name: "Mueller", "Müller" and "MULLER" are the same, so are "V0ss" and "Voss". */
function plainWord(word: string): string {
  let plain = word
    .replace(/(?<=[a-z])[01358|!]|[01358|!](?=[a-z])/g, (sign) => DIGITS[sign] ?? sign)
    .replace(/[^a-z]/g, '');
  for (const [pattern, by] of TWO_LETTER_VOWELS) plain = plain.replace(pattern, by);
  return plain;
}

const wordsOf = (text: string): string[] =>
  toLatin(text)
    .replace(/['’]/g, '')
    .split(/[^a-z0-9|!]+/)
    .filter(Boolean);

/** @returns a name without its forms of address, degrees and words of descent; and the family name in a column of its own where all was in one */
export function nameFormOf(fields: NameFields): NameForm {
  let generation = generationIn(wordsOf(fields.suffix));
  const clean = (text: string): string[] => {
    const words = wordsOf(text);
    generation ||= generationIn(words.slice(1));
    return words.filter(
      (word, i) =>
        !(i > 0 && word in GENERATIONS && word.length > 1) &&
        !(words.length > 1 && i === 0 && FORMS_OF_ADDRESS.has(word)) &&
        !(words.length > 1 && i > 0 && word.length > 2 && credentials.has(word) && !nameParticles.has(word)),
    );
  };
  let given = clean(`${fields.givenName} ${fields.middleName}`);
  let family = clean(fields.familyName);
  if (family.length === 0 && given.length > 1) [given, family] = [given.slice(0, -1), given.slice(-1)];
  else if (given.length === 0 && family.length > 1) [given, family] = [family.slice(0, 1), family.slice(1)];
  const core = family.filter((word, i) => !(nameParticles.has(word) && i < family.length - 1));
  const familyLast = (core.length > 0 ? core : family).map(plainWord).join('');
  const [salutation] = wordsOf(fields.prefix.replace(/dr|prof/gi, ''));
  return {
    given: compound(given, `${fields.givenName} ${fields.middleName}`).map(plainWord).filter(Boolean),
    givenParts: given.map(plainWord).filter(Boolean),
    family: (core.length > 0 ? core : family).map(plainWord).filter(Boolean),
    familyLast,
    familyWhole: family.map(plainWord).join(''),
    familyLook: {
      letters: lettersOf(familyLast),
      shape: lettersOf(readShape(familyLast)),
      sound: soundKey(familyLast),
    },
    generation,
    salutation:
      salutation === undefined ? undefined : WOMEN.test(salutation) ? 'f' : MEN.test(salutation) ? 'm' : undefined,
  };
}

const generationIn = (words: readonly string[]): number =>
  words.map((word) => GENERATIONS[word] ?? 0).find((n) => n > 0) ?? 0;

/** Words that a hyphen joins in print, in one piece: "Anna-Lena Marie" is two names. */
function compound(words: readonly string[], text: string): string[] {
  if (!text.includes('-')) return [...words];
  const whole = text.split(/\s+/).map((name) => wordsOf(name).filter((word) => words.includes(word)));
  return whole.filter((parts) => parts.length > 0).map((parts) => parts.join(''));
}
