import { fold } from './fold';
import { isAtHome, usualAccents } from './tables/alphabets';
import type { ReadCharacter, ReadLine } from './types';

const DIGIT_FOR: Record<string, string> = { o: '0', O: '0', l: '1', I: '1', s: '5', S: '5' };

/** A run of digits and letters that look like digits, with at least two true digits. */
const NUMBER_LIKE = /(?<![\p{L}\d])(?=(?:[oOlIsS]*\d){2})[\doOlIsS]{3,}(?![\p{L}\d])/gu;

/** A word that begins with l before a consonant that cannot follow it: a capital I. */
const L_FOR_I = /(?<![\p{L}\d@._-])l(?=[bcdfghjkmnpqrstvwxz]\p{Ll}*(?![\p{L}\d@._-]))/gu;

/**
 * Sets right what is beyond doubt a look-alike: letters inside numbers, and l for I at the beginning
 * of words. Every character keeps its place.
 */
export function repairLine(line: ReadLine): ReadLine {
  const text = line.text
    .replace(NUMBER_LIKE, (run) => [...run].map((c) => DIGIT_FOR[c] ?? c).join(''))
    .replace(L_FOR_I, 'I');
  return text === line.text ? line : { ...line, text };
}

/**
 * Sets right accented letters that no language of the card's country uses ("Hafenbrău"): the engine's
 * next best reading of the same letter that is at home there, else the country's usual accent, else
 * the bare letter. Every character keeps its place.
 */
export function repairAccents(
  line: ReadLine,
  country: string | undefined,
  languages: readonly string[] = [],
): ReadLine {
  const text = [...line.text].map((letter, i) => {
    if (letter < '\u00c0' || !/\p{L}/u.test(letter) || isAtHome(letter, country, languages)) return letter;
    return homeLetter(letter, line.characters[i], country);
  });
  return text.join('') === line.text ? line : { ...line, text: text.join('') };
}

function homeLetter(letter: string, character: ReadCharacter | undefined, country: string | undefined): string {
  const base = fold(letter);
  const sameBase = (other: string) =>
    fold(other) === base && (other === other.toUpperCase()) === (letter === letter.toUpperCase());
  const other = character?.alternatives.find(
    ({ text }) => sameBase(text) && (text < '\u00c0' || isAtHome(text, country)),
  );
  const usual = [...usualAccents(country)].find(sameBase);
  const bare = letter === letter.toUpperCase() ? base.toUpperCase() : base;
  return other?.text ?? usual ?? (bare.length === 1 ? bare : letter);
}
