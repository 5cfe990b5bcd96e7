import { asciiSpellings, fold, foldTight } from '../../text';
import { isAllCaps, naturalName } from '../../text/naturalCase';
import { ambiguousPrefixes, credentials, givenNames, nameParticles, namePrefixes } from '../../text/tables/nameWords';
import { hasTitleWord } from './hasTitleWord';
import { ownerLabel } from '../tables/labels';

export interface PersonName {
  prefix?: string;
  givenName?: string;
  middleName?: string;
  familyName?: string;
  /** Letters after the name. */
  suffix?: string;
}

interface NameParts {
  prefixes: string[];
  core: string[];
  suffixes: string[];
}

const plain = (word: string): string => fold(word).replace(/[.,()]/g, '');

/** How somebody wishes to be spoken of: "(she/her)". */
const PRONOUNS =
  /\s*[([](?:she|he|they|ze|sie|er|elle|il|iel|ella|él|elle|hon|han|hun|hen|zij|hij)\s?[/|]\s?\p{L}+(?:\s?[/|]\s?\p{L}+)?(?:[)\]]|$)/iu;

/** A blank read behind a wide capital: "Roux-W hitford". */
const LOOSE_CAPITAL = /(?<=\p{L}-\p{Lu}) (?=\p{Ll}{3})/gu;

/** How German letters are signed for the firm. */
const ON_BEHALF = /^\s*(?:i\.\s?[AV]\.|ppa\.)\s+/iu;

/** A hyphen that was read as a dash: "Anne–Mette". */
const LONG_HYPHEN = /(?<=\p{L})[–—](?=\p{L})/gu;

/** "TUCKER LINDQVIST, CFII": letters that no table knows, behind a name in its usual order. */
const LETTERS = /^\p{Lu}{2,6}$/u;

/** No name begins with such letters: "CFRE". */
const NO_BEGINNING = /^(?!SCH|CHR|STR|SPR|THR|PHR|SHR|SCR|SPL)[BCDFGHJKLMNPQRSTVWXZ]{3}/;

/** Two such words before a name are a form of address: "Per. Agr. Ruggero Dall'Olio". */
const SHORTENED = /^\p{Lu}\p{Ll}{1,3}\.$/u;

/** A full stop read for the comma before letters: "Davies-Harvey.MBA". */
const STOP_BEFORE_LETTERS = /(?<=\p{L}{2}\p{Ll})\.\s?(?<letters>\p{Lu}{2,6})(?=[\s,]|$)/u;

/** Separates forms of address in front and letters behind from the name itself. */
export function nameParts(text: string): NameParts {
  const [beforeComma = '', ...afterComma] = text
    .replace(PRONOUNS, '')
    .replace(ON_BEHALF, '')
    .replace(ownerLabel, '')
    .replace(LOOSE_CAPITAL, '')
    .replace(LONG_HYPHEN, '-')
    .replace(STOP_BEFORE_LETTERS, (stop, letters: string) => (credentials.has(plain(letters)) ? `, ${letters}` : stop))
    .split(/\s*,\s*/);
  const words = beforeComma.split(/\s+/).filter(Boolean).map(asNumeral);
  const prefixes: string[] = [];
  if (words.length > 3 && words.slice(0, 2).every((word) => SHORTENED.test(word))) prefixes.push(...words.splice(0, 2));
  while (words.length > 1 && isPrefix(words[0]!, words)) prefixes.push(words.shift()!);
  const suffixes: string[] = [];
  while (words.length > 2 && (isCredential(words[words.length - 1]!) || looksLikeCredential(words)))
    suffixes.unshift(words.pop()!);
  const behind = afterComma.filter(Boolean);
  const mixedCase = words.length > 1 && /\p{Ll}/u.test(beforeComma);
  const isShortened = (part: string) => /^\p{Lu}(?:\p{Ll}{1,4}|\p{Lu}{1,4})\.(?: \p{Lu}(?:\p{Ll}{1,4}|\p{Lu}{1,4})\.)+$/u.test(part); // prettier-ignore
  const isBehind = (word: string) =>
    isCredential(word, true) || PROFESSION.test(word) || (mixedCase && isLikeCredential(word));
  if (
    behind.length > 0 &&
    behind.every((part) => isCredential(part) || isShortened(part) || part.split(/\s+/).every(isBehind))
  )
    suffixes.push(...behind.map(inCapitals));
  else if (
    behind.length === 1 &&
    words.length === 2 &&
    LETTERS.test(behind[0]!) &&
    (givenNames.has(words[0]!) || NO_BEGINNING.test(behind[0]!))
  )
    suffixes.push(behind[0]!);
  else if (behind.length === 1 && words.length <= 2 && prefixes.length === 0 && !hasTitleWord(behind[0]!))
    words.unshift(...behind[0]!.split(/\s+/));
  return { prefixes, core: words, suffixes };
}

/** "Bludworth I1I": the third of a name. */
const asNumeral = (word: string): string => (/^[I1l|]{2,3}$/.test(word) ? 'I'.repeat(word.length) : word);

function isPrefix(word: string, words: readonly string[]): boolean {
  const key = plain(word);
  if (word === 'Dl' && words.length > 2) return true;
  if (/^\((?:FH|BA|Uni|TU|DH)\)$/i.test(word)) return true;
  if (key.split('-').some((part) => part === 'dipl') || /^dipl\b/.test(key)) return true;
  // "Dr.-Ing.", "Prof.-Dr."
  if (key.includes('-') && key.split('-').every((part) => namePrefixes.has(part))) return true;
  if (!namePrefixes.has(key)) return false;
  return (
    !ambiguousPrefixes.has(key) ||
    (key.length > 1 && word.endsWith('.') && words.length > 2) ||
    (words.length > 2 && (word === 'DI' || word === 'Pr'))
  );
}

/** Letters after a name are known, and set in capitals; behind a comma a reading in small letters will do. */
const isCredential = (word: string, behindComma = false): boolean => {
  const key = plain(word);
  const capitals = word.replace(/[^\p{Lu}]/gu, '').length;
  return (
    (credentials.has(key) &&
      (capitals >= 2 ||
        (behindComma && key.length >= MISREAD_CREDENTIAL) ||
        /^(jr|sr|esq|hons)$/.test(key) ||
        /^(ii|iii|iv)$/.test(key))) ||
    UNSPEAKABLE.test(word) ||
    DEGREE.test(word) ||
    DEGREE_IN_CAPITALS.test(word)
  );
};

/**
 * Behind two words of a name in small letters two or three capitals are no family name ("MW"), nor is what begins with two
 * ("BSc", "MCOptom").
 */
function looksLikeCredential(words: readonly string[]): boolean {
  const last = words[words.length - 1]!;
  const names = words.filter((w) => /^\p{Lu}\p{Ll}/u.test(w)).length;
  const follows = isCredential(words[words.length - 2] ?? '') && /^\p{Lu}{2,6}$/u.test(last);
  // "HARRIET MOORE RIBA SCA": in a name in capitals only behind letters that are known.
  if (names === 0 && ((follows && words.length > 3) || (words.length > 2 && NO_FAMILY.test(last)))) return true;
  return (
    names >= 2 &&
    !nameParticles.has(last) &&
    (follows || /^\p{Lu}{2,3}$/u.test(last) || /^\p{Lu}{2,}\p{Ll}+$/u.test(last))
  );
}

/** Capitals behind the comma of a name that is not set in capitals: "CFRE". */
const isLikeCredential = (word: string): boolean => /^(?:\p{Lu}\.?){2,6}$/u.test(word) && !givenNames.has(word);

/** A profession in short, as it stands behind a name: "ing.", "erg.", "ing.f.". */
const PROFESSION = /^(?:\p{Ll}{2,5}\.|(?:Ing|Arch|Dipl|Med)\.|ing\.\p{L}{1,2}\.?)$/u;

/** "B.Agr.Sc.": initials have no small letters between their stops, and "L.Sosa" is a name whose blank was lost. */
const DEGREE = /^\p{Lu}\p{Ll}{0,3}\.(?:\p{Lu}\p{Ll}{0,3}\.)+\p{Lu}\p{Ll}{1,3}\.?$/u;

/** The same in a name in capitals: "B.AGR.SC.". */
const DEGREE_IN_CAPITALS = /^\p{Lu}{1,2}\.(?:\p{Lu}{1,3}\.)*\p{Lu}{2,3}\.$/u;

/** Capitals without a vowel are no name: "MVB". */
const UNSPEAKABLE = /^(?:[BCDFGHJKLMNPQRSTVWXZ]\.?){3,6}$/;

/** Two such letters behind a name in capitals are none of it: "RM". */
const NO_FAMILY = /^(?!NG)[BCDFGHJKLMNPQRSTVWXZ]{2}$/;

/** From this length on letters after a name are capitals however they were read; shorter ones are often mixed. */
const MISREAD_CREDENTIAL = 4;

const inCapitals = (part: string): string =>
  part
    .split(' ')
    .map((w) => (isCredential(w) || !isCredential(w, true) ? w : w.toUpperCase()))
    .join(' ');

/** Countries where two family names are the rule. */
const TWO_FAMILY_NAMES = new Set(['ES', 'PT', 'BR']);

/**
 * Splits a printed name, in natural case.
 * @param localParts the parts of the card's e-mail addresses before the `@`, as evidence
 */
export function splitName(text: string, country?: string, localParts: readonly string[] = []): PersonName {
  const { prefixes, core: printed, suffixes } = nameParts(text);
  const core = isFamilyFirst(printed, country, localParts) ? [...printed.slice(1), printed[0]!] : printed;
  const natural = naturalName(core.join(' '), country)
    .split(' ')
    .map((word) => withAddressLetters(withSpelledOutUmlauts(word, localParts), localParts));
  const familyStart = findFamilyStart(core, country, localParts);
  const givens = natural.slice(0, familyStart);
  const middle = givens.slice(1);
  return {
    prefix: prefixes.join(' ') || undefined,
    givenName: givens[0] || undefined,
    middleName: middle.join(' ') || undefined,
    familyName: natural.slice(familyStart).join(' ') || undefined,
    suffix: suffixes.join(', ').replace(', (', ' (') || undefined,
  };
}

/** Whether a name begins with the family's, as all do in Hungary: known given names tell, or a mailbox in the other order. */
function isFamilyFirst(words: readonly string[], country: string | undefined, localParts: readonly string[]): boolean {
  const [first = '', last = ''] = [words[0], words[words.length - 1]];
  if (words.length < 2 || givenNames.has(first)) return false;
  const isTurned = localParts.some((local) => {
    const [given = '', family = ''] = local.split(/[._-]/).map(foldTight);
    return given === foldTight(last) && family === foldTight(first);
  });
  if (country !== 'HU') return givenNames.has(last) && isTurned;
  return isTurned || givenNames.has(last) || localParts.some((local) => foldTight(local) === foldTight(last));
}

/** Index of the word with which the family name begins. */
function findFamilyStart(words: readonly string[], country: string | undefined, localParts: readonly string[]): number {
  if (words.length < 2) return givenNames.has(words[0] ?? '') ? 1 : 0;
  const particle = words.findIndex((w, i) => i > 0 && i < words.length - 1 && nameParticles.has(w));
  if (particle > 0) return TWO_FAMILY_NAMES.has(country ?? '') && particle > 1 ? particle - 1 : particle;
  if (!isAllCaps(words.join(' '))) {
    const shouted = words.findIndex((w, i) => i > 0 && w.length > 2 && isAllCaps(w));
    if (shouted > 0) return shouted;
  }
  for (let start = 1; start < words.length - 1; start++) {
    // The first of two family names alone in the address: "asa.lindqvist@" of Åsa Lindqvist Berg.
    const first = asciiSpellings(words[start]!).filter((f) => f.length > 3);
    const isFirstFamily = (local: string) =>
      first.some((f) => foldTight(local).endsWith(f) && foldTight(local).length > f.length) &&
      !asciiSpellings(words[words.length - 1]!).some((last) => foldTight(local).includes(last));
    if (localParts.some(isFirstFamily)) return start;
  }
  for (let start = 1; start < words.length; start++) {
    const family = asciiSpellings(words.slice(start).join(''));
    if (words.length - start > 1 && localParts.some((local) => family.some((f) => foldTight(local).endsWith(f))))
      return start;
  }
  if (TWO_FAMILY_NAMES.has(country ?? '') && words.length > 2) {
    const secondIsGiven = givenNames.has(words[1]!) && words.length > 3;
    return secondIsGiven ? 2 : 1;
  }
  return words.length - 1;
}

/**
 * How well a name agrees with the part of an e-mail address before the `@`, 0–1: 1 when the address
 * is made of the family name with the given name or its initial, 0.8 for one of them alone.
 */
export function localPartAgreement(text: string, localPart: string): number {
  const local = foldTight(localPart);
  // An address spells umlauts out; the print, or its reading, may have lost the dots.
  const withoutE = local.replace(/([aou])e/g, '$1');
  return Math.max(agreementWith(text, local), withoutE === local ? 0 : agreementWith(text, withoutE));
}

function agreementWith(text: string, local: string): number {
  const { words, found, rest } = accountFor(text, local);
  if (found.length === 0) {
    const isShortForm =
      local.length > 2 && words.length > 1 && words.some((spellings) => spellings.some((s) => s.startsWith(local)));
    return isShortForm ? 0.8 : 0;
  }
  if (rest.length > 2) return 0.3 * (1 - rest.length / local.length);
  return found.length > 1 || rest.length === 0 ? (found.length > 1 || local.length > found[0]!.length ? 1 : 0.8) : 0.6;
}

/** True when every letter of the part before the `@` is one of the name's words or initials, with a whole word at least. */
export function isMadeOf(text: string, localPart: string): boolean {
  const { found, rest } = accountFor(text, foldTight(localPart));
  return found.length > 0 && rest === '';
}

/** The name's words that a mailbox holds in whole, and what remains of it without them and the others' initials. */
function accountFor(text: string, local: string): { words: string[][]; found: string[]; rest: string } {
  const words = nameParts(text)
    .core.flatMap((w) => w.split('-'))
    .map(asciiSpellings)
    .filter((w) => w[0]!.length > 0);
  const full = words.map((w) => w.find((spelling) => spelling.length > 2 && local.includes(spelling)));
  const found = full.filter((w) => w !== undefined);
  const initials = words.filter((_, i) => !full[i]).map((w) => w[0]![0]!);
  const rest = [...found, ...initials].reduce((left, part) => left.replace(part, ''), local);
  return { words, found, rest };
}

const UMLAUTS: Readonly<Record<string, [spelledOut: string, umlaut: string]>> = {
  a: ['ae', 'ä'],
  o: ['oe', 'ö'],
  u: ['ue', 'ü'],
  A: ['Ae', 'Ä'],
  O: ['Oe', 'Ö'],
  U: ['Ue', 'Ü'],
};

/** "Bruggemann" beside `brueggemann@…` has lost its dots in reading: the address gives them back. */
function withSpelledOutUmlauts(word: string, localParts: readonly string[]): string {
  const inAddress = (spelling: string) => localParts.some((local) => foldTight(local).includes(foldTight(spelling)));
  if (word.length < 4 || inAddress(word)) return word;
  for (let i = 0; i < word.length; i++) {
    const pair = UMLAUTS[word[i]!];
    if (pair && inAddress(word.slice(0, i) + pair[0] + word.slice(i + 1)))
      return word.slice(0, i) + pair[1] + word.slice(i + 1);
  }
  return word;
}

/** Letters that print alike in some typeface; the one seen in a name may be the other. */
const LOOK_ALIKES = ['gq', 'il', 'lt', 'ce', 'uv', 'vw', 'nh', 'ao', 'fr', 'rn', 'ij', 'yv', 'bh', 'ec', 'kx'];

const lookAlike = (a: string, b: string): boolean => LOOK_ALIKES.some((pair) => pair.includes(a) && pair.includes(b));

/** "DuBugue" beside `gregoria.dubuque@…`: where the address has all letters but one, and a look-alike of that, it is right. */
function withAddressLetters(word: string, localParts: readonly string[]): string {
  const letters = fold(word);
  if (letters.length < 5 || letters.length !== word.length) return word;
  for (const local of localParts.map(fold)) {
    if (local.includes(letters)) return word;
    for (let from = 0; from + letters.length <= local.length; from++) {
      const piece = local.slice(from, from + letters.length);
      const off = [...letters].map((letter, i) => (letter === piece[i] ? -1 : i)).filter((i) => i >= 0);
      const [at] = off;
      if (off.length !== 1 || at === undefined || !lookAlike(letters[at]!, piece[at]!)) continue;
      const right = word[at] === word[at]!.toUpperCase() ? piece[at]!.toUpperCase() : piece[at]!;
      return word.slice(0, at) + right + word.slice(at + 1);
    }
  }
  return word;
}
