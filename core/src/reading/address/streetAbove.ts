import { piecesOfLine, spanOf, type CardLine } from '../cardLine';
import type { AddressPart } from './postcodeAnchor';
import type { SourceSpan } from '../proposal';
import { beginsStreet, isFirmLine, isRemark, isSentence, looksLikeStreet } from './streetLine';
import { endsStreet, joinHalves, streetOf } from './streetText';
import { yearPattern } from '../tables/labels';

/** One line of a street, which may be set in several. */
interface StreetLine {
  text: string;
  sources: SourceSpan[];
}

const MOST_STREET_LINES = 3;
const MOST_BREAKS = 3;

/**
 * The street of an address: what stands before the town on its line, and the lines above that look like a street.
 * @param above lines upwards from that of the town or code
 */
export function streetAbove(
  before: readonly { text: string; source: SourceSpan }[],
  above: readonly CardLine[],
): AddressPart | undefined {
  const streets = before.map(({ text, source }): StreetLine => ({ text, sources: [source] }));
  for (let i = 0; i < above.length && streets.length < MOST_STREET_LINES; i++) {
    const broken = brokenStreet(above.slice(i));
    const own = broken.length > 0 ? [asOne(broken)] : streetsIn(above[i]!, streets.length > 0);
    if (own.length === 0) break;
    streets.unshift(...own);
    i += Math.max(0, broken.length - 1);
  }
  if (streets.length === 0) return undefined;
  return { value: streetOf(streets.map(({ text }) => text)), sources: streets.flatMap(({ sources }) => sources) };
}

/** What a line has of a street. @param isFurther whether more of it stands below, so that a remark over it is none */
function streetsIn(line: CardLine, isFurther: boolean): StreetLine[] {
  if (!looksLikeStreet(line.text) || isFirmLine(line.text)) return [];
  if (isFurther && (isRemark(line.text) || isSentence(line.text))) return [];
  return withoutYears(line).map((piece) => ({ text: piece.text, sources: [spanOf(piece)] }));
}

/** @param upwards lines from the lowest to the highest */
function asOne(upwards: readonly CardLine[]): StreetLine {
  const lines = [...upwards].reverse();
  return { text: lines.map(({ text }) => text).reduce(joinHalves), sources: lines.map(spanOf) };
}

/**
 * The lines of a street that a narrow column breaks where they say little by themselves: "10" under "Franscini" under "Via",
 * "South" under "3401 1st Avenue".
 * @param above lines upwards from the one in question
 * @returns the broken ones, in that order; none where the first is a line of its own
 */
function brokenStreet(above: readonly CardLine[]): CardLine[] {
  const [lower, upper] = above;
  if (lower && upper && endsStreet(lower.text, upper.text)) return [lower, upper];
  const isWhole = lower && looksLikeStreet(lower.text);
  const begin = above.slice(0, MOST_BREAKS).findIndex(({ text }) => beginsStreet(text) && !/\d/.test(text));
  const broken = begin > 0 && !isWhole ? above.slice(0, begin + 1) : [];
  const isShort = ({ text }: CardLine) => text.split(/\s+/).length <= 2 && !/[:@+]/.test(text);
  return broken.every(isShort) ? broken : [];
}

/** "seit 1954 · Hauptstr. 5": a street line without the founding year on it; nothing of one that is no more than that. */
function withoutYears(line: CardLine): CardLine[] {
  const pieces = piecesOfLine(line);
  const rest = pieces.filter((piece) => !yearPattern.test(piece.text));
  if (rest.length < pieces.length) return rest;
  return pieces.length === 0 && yearPattern.test(line.text) ? [] : [line];
}
