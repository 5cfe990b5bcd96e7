import { naturalStreet } from '../../text/naturalCase';
import { beginsStreet, hasStreetWord, isPosition, looksLikeStreet } from './streetLine';

/** "A: 12 Victoria Street", "Werk 2: Im Schleeke 77", "Head office: Kajplats 12". */
const STREET_LABEL =
  /^(?:(?:a|adr|addr?|adresse?|address|anschrift|dirección|endereço|indirizzo)\s?[.:]|\p{L}{3,}(?: (?:\d|\p{L}+))?\s?:)\s+/iu;

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

const COMPASS =
  /^(?:(?:[NS][EW]?|[EW])\.?|north|south|east|west|nord|sud|süd|est|ouest|ost|west|norte|sur|sul|este|oeste)$/iu;

/** "Rue des" and "Moulins 15", "Via Santo" and "Stefano 56", "Kirkkokatu" and "17": a street that goes on in the next line. */
function isBrokenStreet(above: string, below: string): boolean {
  if (ENDS_OPEN.test(above)) return true;
  if (isLoneStreetWord(/^[^\s,]+(?=,|$)/.exec(below)?.[0] ?? '')) return /\p{Ll}$/u.test(above);
  if (COMPASS.test(below) || /\([^)]*$/.test(above)) return true;
  if (/\d/.test(above)) return false;
  if (LONE_NUMBER.test(below)) return hasStreetWord(above);
  return beginsStreet(above) && !hasStreetWord(below) && /^\p{Lu}[^,]*\s\d+\s?\p{L}?$/u.test(below);
}

/** "2° B" is the second floor, and "n.° 84" a number: the sign in an address is that of an ordinal. */
const withOrdinals = (street: string): string => street.replace(/((?:\d|(?<!\p{L})n)\.?)°(?=[\s,.]|$)/giu, '$1º');

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
        /^(?!Il )(?=\d*[lI])[\dlI]{1,3}(?=,? \p{Ll})|(?<=\p{L}{3}\.? )(?=[\dI]*l|I*\d+I)[\dlI]{1,3}(?=,|$)/gu,
        (number) => number.replace(/[lI]/g, '1'),
      )
    : street;

/** A line of a street without its label and what parts it from others. */
const bareLine = (text: string): string =>
  withFigures(withoutEchoes(withArticles(withSpaces(withOrdinals(text.replace(STREET_LABEL, ''))))))
    .replace(/^[\s,/|]+|(?:[\s,/|©®@•·]|\s[–—-]|\s\p{Lu}{1,2}-)+$/gu, '')
    .replace(/^Poligono(?= )/, 'Polígono')
    .replace(/(?<=\p{L}{5})(?<!str)\.$/iu, '');

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

/** The lines of a street as one text, in natural case. */
export const streetOf = (lines: readonly string[]): string =>
  naturalStreet(
    lines
      .map(bareLine)
      .reduce((above, below) =>
        IN_TWO.test(above) || isBrokenStreet(above, below) ? joinHalves(above, below) : `${above}, ${below}`,
      ),
  );
