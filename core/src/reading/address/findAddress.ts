import { fold } from '../../text';
import { hasLegalForm, isLoneForm } from '../../text/legalForm';
import { naturalPlace } from '../../text/naturalCase';
import { isNextInBlock, spanOf, type CardLine } from '../cardLine';
import { bestAnchor, stateAnchor, type AddressPart, type Anchor } from './postcodeAnchor';
import type { SourceSpan } from '../proposal';
import { streetAbove } from './streetAbove';
import { hasStreetWord, looksLikePlace, looksLikeStreet } from './streetLine';
import { joinHalves, streetOf, withSpaces } from './streetText';
import { counties, countryNames, postcodeForms, spanishProvinces, type PostcodeForm } from '../tables/addressWords';

export interface FoundPostalAddress {
  street?: AddressPart;
  postalCode?: AddressPart;
  locality?: AddressPart;
  region?: AddressPart;
  country?: AddressPart;
}

/** A piece of a line between separators. */
interface Piece {
  text: string;
  source: SourceSpan;
}

const SEPARATOR = /\s*[,|·•;]\s*|\s+[/–—-]\s+/g;

/**
 * The postal address of a card: the line with a postal code anchors it, the town stands beside the
 * code as its country writes it, street lines above, the country below or behind.
 * @param lines lines free of other fields, in reading order
 */
export function findAddress(lines: readonly CardLine[], country: string | undefined): FoundPostalAddress {
  const anchor = bestAnchor(lines, country) ?? stateAnchor(lines, country);
  if (!anchor) return streetOnly(lines);
  const { line, code, region, before, after, form } = anchor;
  const address: FoundPostalAddress = { postalCode: code, region, country: undefined };
  const pieces = { before: piecesOf(before), after: piecesOf(after) };
  takeCountry(address, pieces.after);
  takeCountry(address, pieces.before);
  let above = linesAbove(lines, line);
  if (form.town === 'after' || isBrazilianTownBehind(anchor)) {
    const town = pieces.after.shift();
    if (town) takeTown(address, town, lines, country);
    // "5000 Szolnok, Malom utca 8.": some begin with the town.
    if (/\d/.test(pieces.after[0]?.text ?? '') && !/\p{L}/u.test(before.text))
      pieces.before = pieces.after.splice(0, 1);
    address.region ??= pieces.after.map((piece) => asRegion(piece, country)).find((r) => r !== undefined);
  } else {
    takeRegion(address, pieces.before);
    takeProvince(address, pieces.before);
    const hasCounties = form.country === 'GB' || form.country === 'IE';
    if (hasCounties) takeBrokenCounty(address, pieces.before, above[0]);
    if (hasCounties) takeCounty(address, pieces.before, above[0]);
    if (hasCounties && pieces.before.length === 0 && isCountyUnderTown(above)) {
      const [county, ...rest] = above;
      address.region ??= { value: county!.text, sources: [spanOf(county!)] };
      above = rest;
    }
    const lone = pieces.before.length === 0 ? above[0] : undefined;
    if (lone && LONE_PROVINCE.test(lone.text)) {
      address.region ??= { value: lone.text.slice(1, -1), sources: [spanOf(lone)] };
      above = above.slice(1);
    }
    let town = pieces.before.pop();
    if (!town && above[0] && mayBeTownLine(above[0])) {
      const fromAbove = piecesOf(spanOf(above[0]), above[0].text.replace(LONE_COUNTY, ''));
      takeRegion(address, fromAbove);
      if (hasCounties) takeCounty(address, fromAbove, undefined);
      town = fromAbove.pop();
      pieces.before = fromAbove;
      above = linesAbove(lines, above[0]);
    }
    if (town) address.locality = withoutProvince(address, behindWord(behindStreet(town), NEARBY), country);
  }
  // On a line with everything the firm stands before its street.
  const firm = pieces.before.findLastIndex((piece) => hasLegalForm(piece.text) || isLoneForm(piece.text));
  address.street = streetAbove(pieces.before.slice(firm + 1), above);
  const below = lines.find((l) => l.index !== line.index && countryOf(l.text) && l.top > line.top);
  if (!address.country && below) address.country = { value: countryOf(below.text)!, sources: [spanOf(below)] };
  return address;
}

/** Without a postal code only a line with a house number and a street word is an address. */
function streetOnly(lines: readonly CardLine[]): FoundPostalAddress {
  const line = lines.find((l) => /\d/.test(l.text) && /^[\p{Lu}\d]/u.test(l.text) && hasStreetWord(l.text));
  return line ? { street: { value: streetOf([line.text]), sources: [spanOf(line)] } } : {};
}

function piecesOf(span: SourceSpan & { text?: string }, text = span.text ?? ''): Piece[] {
  const pieces: Piece[] = [];
  let from = 0;
  const push = (to: number) => {
    const raw = text.slice(from, to);
    const trimmed = raw.trim().replace(/^[,/|–—-]+\s*|\s*[,/|–—-]+$/g, '');
    if (!trimmed) return;
    const start = span.from + from + raw.indexOf(trimmed);
    pieces.push({ text: trimmed, source: { line: span.line, from: start, to: start + trimmed.length } });
  };
  for (const match of text.matchAll(SEPARATOR)) {
    push(match.index);
    from = match.index + match[0].length;
  }
  push(text.length);
  return joinHouseNumbers(pieces, text, span.from);
}

/** "Via Roma, 42/A" and "7, quai du Port" are one piece: a lone house number belongs to its neighbour. */
function joinHouseNumbers(pieces: Piece[], text: string, offset: number): Piece[] {
  const joined: Piece[] = [];
  for (const piece of pieces) {
    const last = joined[joined.length - 1];
    const isNumber = /^\d+\s?[a-zA-Z]?(?:[/-]\w+)*(?:\s?(?:bis|ter))?$/;
    if (last && (isNumber.test(piece.text) || isNumber.test(last.text) || /^(?:sala|loja|andar)\b/i.test(piece.text))) {
      const source = { line: last.source.line, from: last.source.from, to: piece.source.to };
      joined[joined.length - 1] = { text: text.slice(source.from - offset, source.to - offset), source };
    } else joined.push(piece);
  }
  return joined;
}

const countryOf = (text: string): string | undefined =>
  countryNames[text.trim().toLowerCase()] ?? countryNames[fold(text).trim()];

function takeCountry(address: FoundPostalAddress, pieces: Piece[]): void {
  const last = pieces[pieces.length - 1];
  if (!last || address.country) return;
  // "Vigonza (PD) Italy": the last word of a piece, or all of it.
  const at = /(?<=\S{3}\s+)\p{L}{4,}$/u.exec(last.text)?.index ?? 0;
  const [whole, word] = [countryOf(last.text), countryOf(last.text.slice(at))];
  const from = whole ? 0 : at;
  const value = whole ?? word;
  if (!value) return;
  const { source } = last;
  address.country = { value, sources: [{ ...source, from: source.from + from }] };
  pieces.pop();
  const text = last.text.slice(0, from).trimEnd();
  if (text) pieces.push({ text, source: { ...source, to: source.from + text.length } });
}

const REGION = /^(?:[A-Z]{2,3})$/;

/** Letters of a state or province, or the name of a Spanish one. */
function asRegion(piece: Piece, country?: string): AddressPart | undefined {
  const bare = piece.text.replace(/[()]/g, '');
  const isRegion = REGION.test(bare) || (country === 'ES' && spanishProvinces.has(bare));
  return isRegion ? { value: bare, sources: [piece.source] } : undefined;
}

function takeRegion(address: FoundPostalAddress, pieces: Piece[]): void {
  const last = pieces[pieces.length - 1];
  const region = last && pieces.length > 1 ? asRegion(last) : undefined;
  if (!region) return;
  address.region ??= region;
  pieces.pop();
}

/** "(Québec)" on a line by itself, over its code. */
const LONE_PROVINCE = /^\(\p{Lu}[\p{L} .’'-]{2,}\)$/u;

/** "(Québec) G1R 2S5": a name in brackets at the beginning of a line is the province of a town that stands above. */
function takeProvince(address: FoundPostalAddress, pieces: Piece[]): void {
  const [only] = pieces;
  const inBrackets = only && pieces.length === 1 ? /^\((\p{Lu}[\p{L} .’'-]{2,})\)$/u.exec(only.text)?.[1] : undefined;
  if (!inBrackets) return;
  address.region ??= { value: inBrackets, sources: [only!.source] };
  pieces.pop();
}

/**
 * "Letterkenny, Co. Donegal F94 X2R8" and "Taunton, Somerset TA3 6AB": a county is not the town, unless there is no other:
 * some towns are called like theirs.
 */
function takeCounty(address: FoundPostalAddress, pieces: Piece[], above: CardLine | undefined): void {
  const last = pieces[pieces.length - 1];
  if (!last) return;
  const town = pieces[pieces.length - 2]?.text ?? (above && mayBeTownLine(above) && above.text.split(/,\s+/).pop());
  const isAfterTown = Boolean(town && (!looksLikeStreet(town) || /^(?:St|Saint)\.? \p{Lu}[\p{L}-]+$/u.test(town)));
  if (!(isAfterTown && isCounty(last.text)) && !/^(?:Co\.?|County)\s(?:n?an?\s)?\p{Lu}/iu.test(last.text)) return;
  address.region ??= { value: last.text, sources: [last.source] };
  pieces.pop();
}

/** "Skibbereen, Co." at the end of a line, whose county begins the next. */
const LONE_COUNTY = /,?\s+(?:Co\.?|County)$/i;

function takeBrokenCounty(address: FoundPostalAddress, pieces: Piece[], above: CardLine | undefined): void {
  const [only] = pieces;
  const word = above && LONE_COUNTY.exec(above.text);
  if (!word || !only || pieces.length > 1) return;
  const from = above.from + word.index + word[0].search(/c/i);
  const source = { line: above.index, from, to: above.from + above.text.length };
  address.region ??= { value: `${word[0].replace(/^[,\s]+/, '')} ${only.text}`, sources: [source, only.source] };
  pieces.pop();
}

const isCounty = (text: string): boolean => counties.has(text.replace(/\s+/g, '')) || /^Isles? of \p{Lu}/iu.test(text);

/** "North Connel, by Oban": the post town is the one that the place is near. */
const NEARBY = /^(?:by|near|nr\.?)\s+(?=\p{Lu})/iu;

/** "Crewe", "Cheshire" and the code, each on a line of its own. @param above the lines above the code, the nearest first */
const isCountyUnderTown = ([county, town]: readonly CardLine[]): boolean =>
  Boolean(county && town && isCounty(county.text) && mayBeTownLine(town) && !looksLikeStreet(town.text));

/** A full stop for a comma, as it is read in small print: "Merchants Quay. Kilrush" ends in the town. */
function behindStreet(town: Piece): Piece {
  return looksLikeStreet(town.text) ? behindWord(town, /^.*\p{L}{4}\.\s+(?=\p{Lu})/u) : town;
}

function behindWord(piece: Piece, beginning: RegExp): Piece {
  const from = beginning.exec(piece.text)?.[0].length ?? 0;
  return { text: piece.text.slice(from), source: { ...piece.source, from: piece.source.from + from } };
}

/** In Brazil the town stands before the code, or behind it when the code begins the line. */
const isBrazilianTownBehind = ({ form, before, after }: Anchor): boolean =>
  form.country === 'BR' && !/\p{L}/u.test(before.text) && /\p{L}{2}/u.test(after.text);

/** Where a name in brackets behind a town is its province; in German towns it is part of the name: "Halle (Saale)". */
const PROVINCE_IN_BRACKETS = new Set(['ES', 'IT', 'PT', 'FR', 'CA', 'BE']);

/** "Frankfurt (Oder": a bracket at the end is easily lost. */
const closed = (place: string): string => (/\([^)]*$/.test(place) ? `${place})` : place);

/** A town behind its code, which may go on in the lines below, as may its province: "Villarta de", "San Juan (Ciudad", "Real)". */
function takeTown(
  address: FoundPostalAddress,
  town: Piece,
  lines: readonly CardLine[],
  country: string | undefined,
): void {
  let { text } = town;
  const sources = [town.source];
  let last = lines.find((line) => line.index === town.source.line && line.text.replace(/[–-]$/, '').endsWith(text));
  if (last && /[–-]$/.test(last.text)) text = `${text}-`;
  for (;;) {
    const above = last;
    const next = above && lines.find((line) => line !== above && isNextInBlock(above, line));
    if (!next || /[\d@]/.test(next.text) || !(goesOn(text) || isProvinceLine(next.text, country))) break;
    text = joinHalves(text, next.text);
    sources.push(spanOf(next));
    last = next;
  }
  const { value } = withoutProvince(address, { text, source: town.source }, country);
  address.locality = { value, sources };
}

/** Whether a town ends in a word or a bracket that goes on. */
const goesOn = (town: string): boolean =>
  /\s(?:d[aeo]s?|del|la|las|los|di|sur|upon|bei|in|am|an der|im)$|\p{L}[–-]$|\([^)]*$/iu.test(town);

const isProvinceLine = (text: string, country: string | undefined): boolean =>
  PROVINCE_IN_BRACKETS.has(country ?? '') && /^(?:\p{Lu}[\p{L} .'’-]* )?\(\p{Lu}[^()]+\)$/u.test(text);

/** "Torino (TO)", "Cremona CR", "Vila-real (Castellón)" and "Curitiba/PR" are towns with their province. */
function withoutProvince(address: FoundPostalAddress, town: Piece, country: string | undefined): AddressPart {
  const province = PROVINCE_IN_BRACKETS.has(country ?? '')
    ? /[A-Z]{2}|(?:[A-Z]\.-?){2}|\p{Lu}[\p{L} .’'-]{2,}/u
    : /[A-Z]{2}/u;
  const bare = country === 'IT' ? '|\\s(?<bare>[A-Z]{2})' : '';
  const pattern = `^(?<town>.+?)(?:\\s*(?:\\((?<province>${province.source})[)\\]J|]?|\\/(?<state>[A-Za-z]{2}))${bare})$`;
  const match = new RegExp(pattern, 'u').exec(town.text);
  if (!match)
    return {
      value: closed(naturalPlace(withSpaces(town.text.replace(/\s+cedex(?:\s+\d+)?$/i, '')))),
      sources: [town.source],
    };
  const { province: inBrackets, state, bare: behind } = match.groups!;
  address.region ??= { value: (inBrackets ?? state?.toUpperCase() ?? behind)!, sources: [town.source] };
  return { value: naturalPlace(match.groups!.town!), sources: [town.source] };
}

function linesAbove(lines: readonly CardLine[], line: CardLine): CardLine[] {
  const chain: CardLine[] = [];
  let current = line;
  for (;;) {
    const next = lines.find((l) => l !== current && !chain.includes(l) && isNextInBlock(l, current, 1.5));
    if (!next) return chain;
    chain.push(next);
    current = next;
  }
}

/**
 * The place on the line right above the code of an address that has no street: "Lieu-dit Kerroc'h", "Port de Lesconil".
 * @param lines those that nothing else claims
 */
export function placeAboveCode(
  { postalCode, street, locality }: FoundPostalAddress,
  lines: readonly CardLine[],
): AddressPart | undefined {
  if (!postalCode || street) return undefined;
  const owned = [postalCode, locality].flatMap((part) => part?.sources.map((source) => source.line) ?? []);
  const first = lines.find((line) => line.index === Math.min(...owned));
  const [line] = first ? linesAbove(lines, first) : [];
  if (!line || owned.includes(line.index) || !looksLikePlace(line.text)) return undefined;
  return { value: streetOf([line.text]), sources: [spanOf(line)] };
}

/** Begins with a town, or ends in one behind a comma: "3 Mill Hill, Castlewellan". */
const mayBeTownLine = ({ text }: CardLine): boolean => /^\p{Lu}|,\s*\p{Lu}[^\d,]*$/u.test(text) && text.length < 80;

/**
 * Whether a postal code of some form stands in a text, with a town behind it where that follows the code: in a narrow
 * column it begins the next line, "CH-6850".
 */
export function holdsPostcode(text: string, form: PostcodeForm): boolean {
  const match = form.pattern.exec(text);
  if (match === null || form.town === 'before') return match !== null;
  const behind = text.slice(match.index + match[0].length);
  return (
    /^\s+\p{L}{2}/u.test(behind) ||
    (behind === '' && /^[A-Z]{1,2}-/.test(match[0])) ||
    (match[0] === text && /[A-Z-]/.test(text))
  );
}

/** Whether a piece of a line that also holds a number may be an address: it has a word for a street, or a code. */
export const mayHoldAddress = (text: string): boolean =>
  (hasStreetWord(text) && /\d/.test(text)) || postcodeForms.some((form) => holdsPostcode(text, form));
