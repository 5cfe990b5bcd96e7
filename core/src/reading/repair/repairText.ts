import type { ReadCharacter, ReadLine } from '../types';

const DIGIT_FOR: Record<string, string> = { o: '0', O: '0', l: '1', I: '1', i: '1', '|': '1', s: '5', S: '5' };

/**
 * A run of digits and letters that look like digits, with at least two true digits; "S19 2WX" and "SO14 2AQ" are British
 * postcodes, and "G1R 2S5" a Canadian one.
 */
const NUMBER_LIKE =
  /(?<![\p{L}\d])(?<![A-Z]\d[A-Z] )(?![A-Z]{1,2}\d{1,2} \d[A-Z]{2}(?![\p{L}\d]))(?=(?:[oOlIsS]*\d){2})[\doOlIsS]{3,}(?![\p{L}\d])/gu;

/** A word that begins with l before a consonant that cannot follow it: a capital I. */
const L_FOR_I =
  /(?<![\p{L}\d@._-])l(?!(?:tée?|td|tda|lc|lp|da)(?!\p{L}))(?=[bcdfghjkmnpqrstvwxz]\p{Ll}*(?![\p{L}\d@._-]))/gu;

/** The same the other way round in a legal form: "Pêcheries Arsenault Itée". */
const I_IN_FORM = /(?<![\p{L}\d@._-])I(?=t(?:ée|ee|d|da)\.?$)/gu;

/** The I of a state of the United States before its code: "Hl 96740", "Madison, W1 53703". */
const STATE_I =
  /(?<=(?<![\p{L}\d])[HMRW])[l1|](?= \d{5}(?!\d))|(?:(?<![\p{L}\d])l|(?<=, )[1|])(?=[ADLN] \d{5}(?!\d))/gu;

/** Its O, and that of other states: "Denver, C0 80204". */
const STATE_O = /(?<=(?<![\p{L}\d])[CM])0(?= \d{5}(?!\d))|(?<![\p{L}\d])0(?=[HKR] \d{5}(?!\d))/gu;

/** The O of a Norwegian code: "N0-9180". */
const NORWEGIAN_O = /(?<=(?<![\p{L}\d])N)0(?=-\d{4}(?!\d))/gu;

/** Letters of a British code that look the same in small: "CA18 1sW". */
const BRITISH_SMALL =
  /(?<=(?<![\p{L}\d])[A-Z]{1,2}[\dIl]{1,2}[A-Z]? \d)(?:[csvwxzou][A-Z]|[A-Z][csvwxzou])(?![\p{L}\d])/gu;

/** An Irish code, which has none of the letters that look like its figures: "A92 K7Pl". */
const IRISH_CODE =
  /(?<![\p{L}\d])[AC-FHKNPRTV-Y](?=[OIl]?\d)[\dOIl]{2} (?=.{0,3}\d)(?=.{0,3}[A-Z])[\dA-FHKNPRTV-YOIl]{4}(?![\p{L}\d])/gu;

/** No word begins with a nought: "0regon". */
const NOUGHT_FOR_O = /(?<![\p{L}\d@._+-])0(?=\p{Ll}{3})/gu;

/** The stroke behind an area code: "05522 | 44018". */
const STROKE_IN_NUMBER = /(?<=(?<![\d+] ?)0\d{2,4} )\|(?= \d{3})/gu;

/** The ordinal of a Spanish name: "M.a del Pilar". */
const MARIA = /(?<=(?<!\p{L})M\.)a(?= (?:\p{Lu}\p{Ll}|de))/gu;

/** "Dr.-lng." */
const ENGINEER = /(?<=-)l(?=ng\.)/gu;

/** Noughts and ones of old-style figures in codes with a hyphen, and before a town: "30130-oo9", "898o1-ooo", "31-0ll", "8ooo Aarhus". */
const HYPHENED_CODE =
  /(?<![\p{L}\d])(?:(?=[\doOlI–-]*\d{2})[\doOlI]{2,5}[–-](?=[oOlI]*\d)|(?=(?:[oOlI]*\d){3})[\doOlI]{5}[–-])[\doOlI]{3}(?![\p{L}\d–-])/gu;
const CODE_BEFORE_TOWN = /(?<=^|, |(?<!\p{L})\p{Lu}{1,2}-)\d[\doO]{3,4}(?= \p{Lu}\p{Ll})/gu;

/** An Australian state before its code: "Launceston TAs 7250". */
const AUSTRALIAN_STATE = /(?<!\p{L})(?:TAs|NSw|NsW|QLd|VIc|V[lI]C)(?= \d{4}(?!\d))/gu;

/** A nought in a Polish legal form: "Sp. z 0.0.". */
const POLISH_FORM = /(?<=(?<!\p{L})sp\.?\s?z\s?)[0o]\.\s?[0o](?![\p{L}\d])/giu;

/** "MRlCS": among capitals it is one. */
const L_AMONG_CAPITALS = /(?<=\p{Lu}{2})l(?=\p{Lu})/gu;

/** "EIbtal", "BIum": no word goes on in small letters behind two capitals of which the second is an I; beside a vowel it is an l. */
const I_FOR_L =
  /(?<=(?<![\p{L}\d@._-])[AEIOUÄÖÜÉ])I(?=\p{Ll}{2})|(?<=(?<![\p{L}\d@._-])\p{Lu})I(?=[aeiouyäöüé]\p{Ll})/gu;

/** "MeAllister": no name goes on with a capital after Me. */
const E_FOR_C = /(?<=(?<!\p{L})M)e(?=\p{Lu}\p{L}{2})/gu;

/** What a French article before a vowel was read as: "rue de I'Écluse". */
const ELISION = /(?<=(?<!\p{L})(?:de|à|sur|sous|dans|par) )[I|1](?=['’`]\p{L})/giu;

/** Codes whose letters and digits have fixed places: Canada's, and the inward part of Great Britain's. */
const CANADIAN_CODE =
  /(?<![\p{L}\d])([A-CEGHJ-NPR-TVXY])([\doOIilS|])([A-Z)] ?)([\doOIilS|])([A-Z])([\doOIilS|])(?![\p{L}\d])/gu;
const CANADIAN_PROVINCE =
  /(?<!\p{L})(?:AB|BC|MB|NB|NL|NS|NT|NU|ON|PE|QC|SK|YT|Alberta|Manitoba|Ontario|Qu[ée]bec|Saskatchewan)\)?,? $/u;
const BRITISH_CODE = /(?<=(?<![\p{L}\d])[A-Z]{1,2}\d[A-Z\d]? )[OIlS](?=[ABD-HJLNP-UW-Z]{2}(?![\p{L}\d]))/gu;

/** Its outward part, where its digits were read as letters: "PEll 2AB". */
const BRITISH_OUTWARD =
  /(?<=(?<![\p{L}\d])[A-PR-UWYZ][A-HK-Y]?)(?!(?<=[CPSY])O)(?=[\dOIl]{0,2}[OIl])[\dOIl]{1,2}(?= \d[ABD-HJLNP-UW-Z]{2}(?![\p{L}\d]))/gu;

/** Its letters, where they were read as digits, which no area begins with: "Y01 9RN", "0X1 2AB". */
const BRITISH_AREA = /(?<![\p{L}\d])(?:[CPSY]0|0[LX]|[1l|][GPV])(?=\d[A-Z\d]? \d[ABD-HJLNP-UW-Z]{2}(?![\p{L}\d]))/gu;

/** Where the last two of a British code, which are letters, were read with a digit. */
const BRITISH_LETTERS =
  /(?<=(?<![\p{L}\d])[A-Z]{1,2}\d[A-Z\d]? \d)(?=[A-Z]?\d)[\dABD-HJLNP-UW-Z]{2}(?![\p{L}\d])(?! ?\d)/gu;
const ENDS_IN_CANADIAN_CODE = /(?<![\p{L}\d])[A-CEGHJ-NPR-TVXY]\d[A-Z] \d[A-Z]\d$/u;
const IN_BRITISH_CODE = /^[ABD-HJLNP-UW-Z]$/;

const LETTER_FOR: Record<string, string> = { 0: 'o', 1: 'l', 3: 'z', 5: 's', 8: 'B' };

/** One digit in a word of at least four letters, some of them small, with none of the marks of addresses around it. */
const DIGIT_IN_WORD =
  /(?<![\p{L}\d@._/+-])(?=\p{L}*\d\p{L}*(?![\p{L}\d@._/+-]))(?=(?:\d?\p{L}){4})(?=[\p{L}\d]*\p{Ll}{2})[\p{L}\d]+/gu;

/**
 * Sets right what is beyond doubt a look-alike: letters inside numbers, letters and digits of postal codes, l for I at
 * the beginning of words and I for l in a French article, and a digit inside a word ("Hodkiewic3"), which gives way to
 * the engine's next best letter.
 * Every character keeps its place.
 */
export function repairLine(line: ReadLine): ReadLine {
  const text = line.text
    .replace(CANADIAN_CODE, canadianCode)
    .replace(IRISH_CODE, (code) => code.charAt(0) + [...code.slice(1)].map(digit).join(''))
    .replace(BRITISH_SMALL, (letters) => letters.toUpperCase())
    .replace(HYPHENED_CODE, (code) => [...code.replace('–', '-')].map(digit).join(''))
    .replace(AUSTRALIAN_STATE, (state) => state.replace('l', 'I').toUpperCase())
    .replace(CODE_BEFORE_TOWN, (code) => [...code].map(digit).join(''))
    .replace(BRITISH_AREA, (area) => area.replace('0', 'O').replace(/[1l|]/, 'I'))
    .replace(NUMBER_LIKE, (run) => [...run].map(digit).join(''))
    .replace(BRITISH_CODE, digit)
    .replace(BRITISH_OUTWARD, (digits) => [...digits].map(digit).join(''))
    .replace(BRITISH_LETTERS, (pair, at: number, whole: string) =>
      ENDS_IN_CANADIAN_CODE.test(whole.slice(0, at + pair.length))
        ? pair
        : britishLetters(pair, line.characters.slice(at, at + pair.length)),
    )
    .replace(STATE_I, 'I')
    .replace(STATE_O, 'O')
    .replace(NORWEGIAN_O, 'O')
    .replace(NOUGHT_FOR_O, 'O')
    .replace(ENGINEER, 'I')
    .replace(MARIA, 'ª')
    .replace(STROKE_IN_NUMBER, '/')
    .replace(POLISH_FORM, (form) => form.replace(/0/g, 'o'))
    .replace(L_FOR_I, 'I')
    .replace(I_IN_FORM, 'l')
    .replace(L_AMONG_CAPITALS, 'I')
    .replace(I_FOR_L, 'l')
    .replace(E_FOR_C, 'c')
    .replace(ELISION, 'l')
    .replace(DIGIT_IN_WORD, (word, at: number) => lettersOnly(word, line.characters.slice(at, at + word.length)));
  return text === line.text ? line : { ...line, text };
}

type CanadianCode = [code: string, ...characters: [string, string, string, string, string, string], at: number, whole: string]; // prettier-ignore

/** With two digits of its three it is a code, and the third a digit too; behind a province with one. */
function canadianCode(...[code, a, b, c, d, e, f, at, whole]: CanadianCode): string {
  const fewest = CANADIAN_PROVINCE.test(whole.slice(0, at)) ? 1 : 2;
  const isCode = [b, d, f].filter((character) => /\d/.test(character)).length >= fewest;
  return isCode ? [a, digit(b), c.replace(')', 'J'), digit(d), e, digit(f)].join('') : code;
}

/** Only letters that the engine saw there as well: "PE5 900" is "PE5 9QQ", or no code. */
function britishLetters(pair: string, characters: readonly ReadCharacter[]): string {
  const letters = [...pair].map((read, i) =>
    /\d/.test(read) ? characters[i]?.alternatives.find(({ text }) => IN_BRITISH_CODE.test(text))?.text : read,
  );
  return letters.includes(undefined) ? pair : letters.join('');
}

const digit = (character: string): string => DIGIT_FOR[character] ?? character;

/** The first character of a word stays: "7Seas" and "3rd" are written so. */
function lettersOnly(word: string, characters: readonly ReadCharacter[]): string {
  const at = word.search(/\d/);
  if (at < 1) return word;
  const seen = characters[at]?.alternatives.find(({ text }) => /^\p{L}$/u.test(text))?.text;
  const letter = seen ?? LETTER_FOR[word.charAt(at)];
  return letter ? word.slice(0, at) + letter + word.slice(at + 1) : word;
}
