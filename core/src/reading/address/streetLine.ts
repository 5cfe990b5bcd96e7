import { hasLegalForm } from '../../text/legalForm';
import { titleHeads } from '../../text/tables/titleWords';
import { streetWords } from '../tables/addressWords';

/** "Catering" and "Engineering" end like a ring road. */
const GERUND = /(?:ear|eer|ter|tur|tor|sor|der|air|oar)ing$/i;

/** Without a house number "communicatie" and "restauratie" are no roads in Finland. */
const DUTCH_NOUN = /[acipu]tie$/i;

export const hasStreetWord = (text: string): boolean =>
  text
    .split(/[\s,.]+/)
    .some((word) => streetWords.has(word) && !GERUND.test(word) && (/\d/.test(text) || !DUTCH_NOUN.test(word))) ||
  /\b(?:c\/|c\.da\b|p\.?o\.? ?box)|(?:^|\s)s\/n$/i.test(text);

/** No house has it. */
const LONG_NUMBER = /\d{6}/;

/** A street line has a number or a word for street or building, and is no sentence. */
export const looksLikeStreet = (text: string): boolean => {
  const digits = text.replace(/\D/g, '').length;
  const isNamed = hasStreetWord(text) && !isPosition(text);
  return (
    digits <= 8 && !LONG_NUMBER.test(text) && ((digits > 0 && /\p{L}{2}/u.test(text)) || isNamed) && !/[!?@]/.test(text)
  );
};

/** Words of streets that a position may end in: "Diretor industrial". */
const IN_POSITIONS = /^industrial$/i;

/** "Real Estate Agent" and "VP, Business Development" hold words of streets as well; "Baker Street" ends in one. */
export function isPosition(text: string): boolean {
  const words = text.split(/[\s,.]+/).filter(Boolean);
  const [first = '', last = ''] = [words[0], words[words.length - 1]];
  // "Rehtori" ends like a Finnish square.
  if (words.length === 1) return titleHeads.holds(first);
  return (!streetWords.holds(last) || IN_POSITIONS.test(last)) && (titleHeads.has(first) || titleHeads.has(last));
}

/** What stands behind a street and is a legal form elsewhere: "2nd Ave SE", "C.da Seggio s.n.c." (without a number). */
const LIKE_A_FORM = /\s(?:[NS][EW]|s\.?\s?n\.?\s?c)\.?$/i;

/** Whether a line is of a firm and no street. */
export const isFirmLine = (text: string): boolean =>
  hasLegalForm(text) && !(LIKE_A_FORM.test(text) && hasStreetWord(text.replace(LIKE_A_FORM, '')));

/** "Médaille d’or 2019", "upr. nr 4418", "24 h service": what ends in a year or a number by that name, and has no word for a street. */
export const isRemark = (text: string): boolean =>
  !hasStreetWord(text) &&
  /[€$£%]|\d\s?[mh](?:\s|$)|(?:\s(?:19|20)\d\d|(?<!\p{L})(?:nr|no|n°|num|#)\.?\s?\d+)\W*$/iu.test(text);

/** "Kvalitet hele vejen": words in small letters behind the first, which is none for a street, and no number. */
export const isSentence = (text: string): boolean =>
  /^\p{Lu}\S*(?: \p{Ll}\S*){2,}$/u.test(text) && !/\d/.test(text) && !beginsStreet(text);

/** A few words in capital letters that may be the name of a place, or a house and a road, and no list, sentence or year. */
export const looksLikePlace = (text: string): boolean => {
  const words = text.split(/,?\s+/);
  return (
    words.length <= 5 &&
    !/[\d;:·•|&@!?"“”„«»]|\.$|,.*,|^\S*,|,\s+\S*$/.test(text) &&
    words.every((word) => /^\p{Lu}/u.test(word) || /^\p{Ll}{1,3}(?:['’]\p{Lu}.*)?$/u.test(word)) &&
    !isPosition(text) &&
    !hasLegalForm(text)
  );
};

/** Whether a text begins with a word for a street, which a name and a number follow, or is one: "Via Santo", "Plesmanweg". */
export const beginsStreet = (text: string): boolean =>
  /\s/.test(text) ? streetWords.holds(/^[^\s,]+/.exec(text)?.[0] ?? '') : hasStreetWord(text);
