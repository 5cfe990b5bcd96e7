import { streetWords } from './tables/addressWords';
import { titleHeads } from './tables/titleWords';

/** "Catering" and "Engineering" end like a ring road. */
const GERUND = /(?:ear|eer|ter|tur|tor|sor|der|air|oar)ing$/i;

export const hasStreetWord = (text: string): boolean =>
  text.split(/[\s,.]+/).some((word) => streetWords.has(word) && !GERUND.test(word)) ||
  /\b(?:c\/|p\.?o\.? ?box)/i.test(text);

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
function isPosition(text: string): boolean {
  const words = text.split(/[\s,.]+/).filter(Boolean);
  const [first = '', last = ''] = [words[0], words[words.length - 1]];
  // "Rehtori" ends like a Finnish square.
  if (words.length === 1) return titleHeads.holds(first);
  return (!streetWords.has(last) || IN_POSITIONS.test(last)) && (titleHeads.has(first) || titleHeads.has(last));
}

/** "A: 12 Victoria Street" */
const STREET_LABEL = /^(?:a|adr|addr?|adresse?|address|anschrift|dirección|endereço|indirizzo)\s?[.:]\s+/iu;

/** "Rue des" and "Moulins 15", or "Kirkkokatu" and "17": a street name that goes on in the next line. */
const isBrokenStreet = (above: string, below: string): boolean =>
  /(?:^|\s)(?:d[aeiou]s?|de[lr]|la|les|van|von|zum|zur|am|an|of|the|and|\p{L}{1,2}\.)$/iu.test(above) ||
  (/^\d+\s?\p{L}?$/u.test(below) && !/\d/.test(above) && hasStreetWord(above));

/** "2° B" is the second floor: the sign after a number in an address is that of an ordinal. */
const withOrdinals = (street: string): string => street.replace(/(\d\.?)°(?=[\s,.]|$)/g, '$1º');

/** A French article lost before its apostrophe: "rue de 'Écluse". */
const withArticles = (street: string): string =>
  street.replace(/(?<=(?:^|\s)(?:de|à|sur|sous|dans|par) )(?=['’]\p{L})/giu, 'l');

/** The engine sometimes loses the space after a shortened word: "St.John's". */
export const withSpaces = (text: string): string => text.replace(/(?<=\p{L}\p{Ll})\.(?=\p{Lu}\p{Ll})/gu, '. ');

/** The lines of a street as one text. */
export const streetOf = (lines: readonly string[]): string =>
  lines
    .map((text) => text.replace(STREET_LABEL, '').replace(/^[\s,/|]+|[\s,/|]+$/g, ''))
    .map((text) => withArticles(withSpaces(withOrdinals(text))))
    .reduce((above, below) => `${above}${isBrokenStreet(above, below) ? '' : ','} ${below}`);
