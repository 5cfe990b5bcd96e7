import { fold } from '../../text';
import { ringWords } from '../../text/tables/accentedWords';
import { isAtHome, isForeign, usualAccents } from '../tables/alphabets';
import type { ReadCharacter, ReadLine } from '../types';

/** An accented letter below this probability may be another one. */
const DOUBTFUL = 0.9;
/** The same for a capital, whose mark is small beside it: "CHÄTEAU". */
const DOUBTFUL_CAPITAL = 0.99;
/** A letter that is foreign to the country is that of a foreign name from this probability on (measured: none is misread). */
const SURELY_FOREIGN = 0.95;

/**
 * Sets right accented letters that the engine is not sure of where no language of the card's country uses them
 * ("Hafenbrău"), and doubtful ones that are not its own ("Gôteborg" in Sweden): the engine's next best reading of the same
 * letter that is at home there, else the country's usual accent, else the bare letter. So with the ring of Å in
 * Scandinavian names. Every character keeps its place.
 * @param languages ISO 639-1 codes of others that are expected @param readTwice words that are left as they are, in small letters
 */
export function repairAccents(
  line: ReadLine,
  country: string | undefined,
  languages: readonly string[] = [],
  readTwice: ReadonlySet<string> = new Set(),
): ReadLine {
  const isReadTwice = (at: number) => readTwice.has(wordAt(line.text, at).toLowerCase());
  const text = [...line.text].map((letter, i) => {
    if (letter < '\u00c0' || !/\p{L}/u.test(letter)) return letter;
    const character = line.characters[i];
    const isSure = character !== undefined && character.probability >= SURELY_FOREIGN;
    if (!isAtHome(letter, country, languages)) return isSure ? letter : homeLetter(letter, character, country);
    const limit = letter === letter.toUpperCase() ? DOUBTFUL_CAPITAL : DOUBTFUL;
    const doubtful = character !== undefined && character.probability < limit;
    return doubtful && languages.length === 0 && isForeign(letter, country) && !isReadTwice(i)
      ? ownLetter(letter, character, country)
      : letter;
  });
  const joined = inAlphabetOf(country, text.join(''), (i) => (line.characters[i]?.probability ?? 1) >= SURELY_FOREIGN);
  const repaired = SCANDINAVIA.has(country ?? '') ? joined.replace(UMLAUT_FIRST, withRing) : joined;
  return repaired === line.text ? line : { ...line, text: repaired };
}

/** The word around a letter. */
const wordAt = (text: string, at: number): string =>
  /\p{L}*$/u.exec(text.slice(0, at))![0] + /^\p{L}*/u.exec(text.slice(at))![0];

/** Words with marks that were read in the same letters on two lines, in small letters: both are hardly misread alike. */
export function wordsReadTwice(lines: readonly ReadLine[]): Set<string> {
  const [seen, twice] = [new Set<string>(), new Set<string>()];
  for (const { text } of lines) {
    const words = new Set((text.match(/\p{L}{3,}/gu) ?? []).map((word) => word.toLowerCase()).filter((word) => word !== fold(word))); // prettier-ignore
    for (const word of words) (seen.has(word) ? twice : seen).add(word);
  }
  return twice;
}

/** No Polish word has a q: it is an ą ("Gołqbek"). */
const POLISH_Q = /(?<=(?<![\p{L}\d@._-])\p{L}+)q(?=\p{Ll}*(?![\p{L}\d@._-]))/gu;

/**
 * Nor has one a ž, or the mark of ñ; beside Poland a family is called in -ński too, and Māori marks long letters by a line. What is surely
 * of a foreign name stays ("Muñoz", "Åkesson").
 */
function inAlphabetOf(country: string | undefined, text: string, isSure: (i: number) => boolean): string {
  const polish = (letter: string) => POLISH_MARKS[letter]!;
  if (BESIDE_POLAND.has(country ?? '')) return text.replace(/[ñÑ](?=sk)/giu, polish);
  if (country === 'PL')
    return text
      .replace(POLISH_Q, 'ą')
      .replace(/[žŽ]|[ñÑ](?=sk)/giu, polish)
      .replace(/[ñÑ]/g, (letter, at: number) => (isSure(at) ? letter : polish(letter)));
  if (country !== 'NZ') return text;
  return text.replace(/[ãåÃÅ]/g, (letter, at: number) => (isSure(at) ? letter : letter === letter.toLowerCase() ? 'ā' : 'Ā')); // prettier-ignore
}

const BESIDE_POLAND = new Set(['CZ', 'SK', 'HU']);
const POLISH_MARKS: Readonly<Record<string, string>> = { ž: 'ż', Ž: 'Ż', ñ: 'ń', Ñ: 'Ń' };

const SCANDINAVIA = new Set(['SE', 'NO', 'DK', 'FI']);
const UMLAUT_FIRST = /(?<!\p{L})[ÄÀÁÂÃ]\p{L}+/gu;

/** In small or condensed capitals the ring of Å looks like two dots: "Äberg". */
const withRing = (word: string): string => (ringWords.has(word) ? `Å${word.slice(1)}` : word);

/** The accent itself was seen: a letter of the country's own with one, or what was read. */
function ownLetter(letter: string, { alternatives }: ReadCharacter, country: string | undefined): string {
  const isOwn = (other: string) => other >= '\u00c0' && sameLetter(letter, other) && !isForeign(other, country);
  return alternatives.find(({ text }) => isOwn(text))?.text ?? [...usualAccents(country)].find(isOwn) ?? letter;
}

/** The same letter in the same case, whatever its accent. */
const sameLetter = (a: string, b: string): boolean =>
  fold(a) === fold(b) && (a === a.toUpperCase()) === (b === b.toUpperCase());

function homeLetter(letter: string, character: ReadCharacter | undefined, country: string | undefined): string {
  const other = character?.alternatives.find(
    ({ text }) => sameLetter(letter, text) && (text < '\u00c0' || isAtHome(text, country)),
  );
  const usual = [...usualAccents(country)].find((own) => sameLetter(letter, own));
  const base = fold(letter);
  const bare = letter === letter.toUpperCase() ? base.toUpperCase() : base;
  return other?.text ?? usual ?? (bare.length === 1 ? bare : letter);
}
