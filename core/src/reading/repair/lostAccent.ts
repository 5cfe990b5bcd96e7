import { because, type Reason } from '../reasons';
import { inCaseOf, isAllCaps } from '../../text/naturalCase';
import { marksCapitals } from '../tables/alphabets';
import { accentedName } from '../tables/accentedNames';

/** A name that has probably lost an accent in reading. */
export interface LostAccent {
  /** What to propose. */
  value: string;
  /** The other spelling. */
  other: string;
  /** Why a person should look. */
  disagreement: Reason;
}

/**
 * Tells a name of a country that nobody spells without an accent, read without one ("Begona"): whoever prints their own name
 * in small letters has the accent; capitals are often set without, also at the beginning of a French name ("Elodie"), but in
 * countries that mark them as well.
 * @param name in natural case
 * @param printed the name as read, for its case
 */
export function lostAccent(name: string, printed: string, country: string | undefined): LostAccent | undefined {
  // "O'Shaughnessy" is no Ó.
  const accented = withJoinedLetters(name, country).replace(/\p{L}+(?![\p{L}'’])/gu, (word) => {
    const spelled = accentedName(word, country);
    return spelled ? [...word].map((letter, i) => inCaseOf(letter, spelled[i]!)).join('') : word;
  });
  if (accented === name) return undefined;
  const disagreement: Reason = because('usuallySpelled', name, accented);
  const isOnCapitalOnly = name === accented.replace(/[ÉÈ]/g, 'E');
  return (isAllCaps(printed) && !marksCapitals(country)) || isOnCapitalOnly
    ? { value: name, other: accented, disagreement }
    : { value: accented, other: name, disagreement };
}

/** Danish and Norwegian write æ but in names like "Michael"; the engine reads two letters out of it in small type. */
const withJoinedLetters = (text: string, country: string | undefined): string =>
  country === 'DK' || country === 'NO'
    ? text
        .replace(/ae(?!l)/g, 'æ')
        .replace(/AE(?!L)/g, 'Æ')
        .replace(/Ae(?=[^\s\p{Lu}l])/gu, 'Æ')
    : text;

/** The same of a place: "Svolvaer". */
export function lostJoinedLetter(place: string, country: string | undefined): LostAccent | undefined {
  const value = withJoinedLetters(place, country);
  return value === place ? undefined : { value, other: place, disagreement: because('usuallySpelled', place, value) };
}
