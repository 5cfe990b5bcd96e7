import { hasLegalForm } from './legalForm';
import { streetWords } from './tables/addressWords';
import { titleHeads } from './tables/titleWords';

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
function isPosition(text: string): boolean {
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

/** "Médaille d’or 2019", "upr. nr 4418": what ends in a year or a number by that name, and has no word for a street. */
export const isRemark = (text: string): boolean =>
  !hasStreetWord(text) &&
  /[€$£%]|\d\s?m(?:\s|$)|(?:\s(?:19|20)\d\d|(?<!\p{L})(?:nr|no|n°|num|#)\.?\s?\d+)\W*$/iu.test(text);

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

/** "A: 12 Victoria Street", "Werk 2: Im Schleeke 77", "Büro: Markt 4". */
const STREET_LABEL =
  /^(?:(?:a|adr|addr?|adresse?|address|anschrift|dirección|endereço|indirizzo)\s?[.:]|\p{L}{3,}(?: \d)?\s?:)\s+/iu;

/** "Rue des" */
const ENDS_OPEN = /(?:^|\s)(?:d[aeiou]s?|de[lr]|la|las|les|van|von|zum|zur|am|an|of|the|and|\p{L}{1,2}\.)$/iu;

const LONE_NUMBER = /^\d[\d/.-]*\s?\p{L}?$/u;

/** "Street" and "Square", which stand behind the name of theirs, in a line of their own. */
const isLoneStreetWord = (text: string): boolean =>
  /^\p{Lu}\p{Ll}{2,},?$/u.test(text) && BEHIND_NAMES.has(text.replace(',', ''));

/** "Level 2, 88 Johnston", "Market": what such a word may end. */
const isStreetName = (text: string): boolean =>
  /^[\p{Lu}\d].*\p{Ll}$/u.test(text) && (/\d/.test(text) || !/\s/.test(text)) && !isPosition(text);

const BEHIND_NAMES = new Set(
  'Street Road Avenue Lane Drive Court Close Crescent Terrace Square Row Mews Gardens Grove Hill Park Quay Wharf Parade Way Centre Center Highway Pkwy Parkway Boulevard'.split(
    ' ',
  ),
);

const COMPASS = /^(?:[NS]?[EW]?\.?|north|south|east|west|nord|sud|süd|est|ouest|ost|west|norte|sur|sul|este|oeste)$/iu;

/** Whether a text begins with a word for a street, which a name and a number follow, or is one: "Via Santo", "Plesmanweg". */
export const beginsStreet = (text: string): boolean =>
  /\s/.test(text) ? streetWords.holds(/^[^\s,]+/.exec(text)?.[0] ?? '') : hasStreetWord(text);

/** "Rue des" and "Moulins 15", "Via Santo" and "Stefano 56", "Kirkkokatu" and "17": a street that goes on in the next line. */
function isBrokenStreet(above: string, below: string): boolean {
  if (ENDS_OPEN.test(above)) return true;
  if (isLoneStreetWord(/^[^\s,]+(?=,|$)/.exec(below)?.[0] ?? '')) return /\p{Ll}$/u.test(above);
  if (COMPASS.test(below) || /\([^)]*$/.test(above)) return true;
  if (/\d/.test(above)) return false;
  if (LONE_NUMBER.test(below)) return hasStreetWord(above);
  return beginsStreet(above) && !hasStreetWord(below) && /^\p{Lu}[^,]*\s\d+\s?\p{L}?$/u.test(below);
}

/** "2° B" is the second floor: the sign after a number in an address is that of an ordinal. */
const withOrdinals = (street: string): string => street.replace(/(\d\.?)°(?=[\s,.]|$)/g, '$1º');

/** A French article lost before its apostrophe: "rue de 'Écluse". */
const withArticles = (street: string): string =>
  street.replace(/(?<=(?:^|\s)(?:de|à|sur|sous|dans|par) )(?=['’]\p{L})/giu, 'l');

/** The engine sometimes loses the space after a shortened word: "St.John's", and after a Danish floor: "2.th.". */
export const withSpaces = (text: string): string =>
  text.replace(/(?<=\p{L}\p{Ll})\.(?=\p{Lu}\p{Ll})|(?<=\d)\.(?=(?:sal|th|tv|mf)(?!\p{L}))/gu, '. ');

/** A letter or mark that was read twice: "Straßße", "l'’Évêché". */
const withoutEchoes = (street: string): string => street.replace(/ß(?=ß)|['’](?=['’])/g, '');

/** The number of a house in front of a street or behind it, where its ones were read as letters: "3l rue", "straat l". */
const withFigures = (street: string): string =>
  hasStreetWord(street)
    ? street.replace(
        /^(?=\d*[lI])[\dlI]{1,3}(?=,? \p{Ll})|(?<=\p{L}{3}\.? )(?=\d*[lI])[\dlI]{1,3}(?=,|$)/gu,
        (number) => number.replace(/[lI]/g, '1'),
      )
    : street;

/** A line of a street without its label and what parts it from others. */
const bareLine = (text: string): string =>
  withFigures(withoutEchoes(withArticles(withSpaces(withOrdinals(text.replace(STREET_LABEL, ''))))))
    .replace(/^[\s,/|]+|(?:[\s,/|©®@•]+|\s[–—-])+$/g, '')
    .replace(/^Poligono(?= )/, 'Polígono')
    .replace(/(?<=\p{L}{5})\.$/u, '');

/** "88, rue Saint–": a word that goes on in the next line. */
const IN_TWO = /\p{L}[–-]$/u;

/** Whether a line says nothing by itself and ends the one above: "South", a door, or what follows "88, rue Saint–". */
export const endsStreet = (text: string, above: string): boolean =>
  (LONE_NUMBER.test(text) && hasStreetWord(above) && !/\d/.test(above)) ||
  (isLoneStreetWord(text) && isStreetName(above)) ||
  (looksLikeStreet(above) &&
    (ENDS_OPEN.test(above) ||
      COMPASS.test(text) ||
      IN_TWO.test(above) ||
      (/^\p{Lu}$/u.test(text) && /[\dº]$/.test(above))));

/** Two halves of one line. */
export const joinHalves = (above: string, below: string): string =>
  IN_TWO.test(above) ? `${above.slice(0, -1)}-${below}` : `${above} ${below}`;

/** The lines of a street as one text. */
export const streetOf = (lines: readonly string[]): string =>
  lines
    .map(bareLine)
    .reduce((above, below) =>
      IN_TWO.test(above) || isBrokenStreet(above, below) ? joinHalves(above, below) : `${above}, ${below}`,
    );
