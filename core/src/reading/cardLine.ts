import { distance } from '../capture';
import type { SourceSpan } from './proposal';
import type { Reading, ReadLine } from './types';

/** A line with what the decisions need to know about its place and size on the card. */
export interface CardLine {
  index: number;
  text: string;
  /** Where `text` begins in the line as read: more than 0 for a later piece of it. */
  from: number;
  read: ReadLine;
  /** Height of its outline in pixels, and the same over the median height of the card's lines. */
  height: number;
  relativeHeight: number;
  isTallest: boolean;
  /** No other line of the card begins above it. */
  isTopmost: boolean;
  left: number;
  right: number;
  top: number;
  bottom: number;
}

export function cardLines(reading: Reading): CardLine[] {
  const heights = reading.lines.map((l) => (distance(l.quad[0], l.quad[3]) + distance(l.quad[1], l.quad[2])) / 2);
  const topOf = (line: ReadLine) => Math.min(...line.quad.map((p) => p[1]));
  const topmost = Math.min(...reading.lines.map(topOf));
  const median = [...heights].sort((a, b) => a - b)[heights.length >> 1] || 1;
  return reading.lines.map((read, index) => {
    const xs = read.quad.map((p) => p[0]);
    const ys = read.quad.map((p) => p[1]);
    const height = heights[index]!;
    return {
      index,
      text: read.text,
      from: 0,
      read,
      height,
      relativeHeight: height / median,
      isTallest: height === Math.max(...heights),
      isTopmost: topOf(read) === topmost,
      left: Math.min(...xs),
      right: Math.max(...xs),
      top: Math.min(...ys),
      bottom: Math.max(...ys),
    };
  });
}

/** Marks that stand between two things on one line. */
const PIECE_SEPARATOR = /\s*[|·•]\s*|\s+[–—/-]\s+/g;

/** The pieces of a line between separators, "Nella Voss | Head of Sales"; nothing for a line in one piece. */
export function piecesOfLine(line: CardLine): CardLine[] {
  const separators = [...line.text.matchAll(PIECE_SEPARATOR)];
  return separators.length > 0
    ? cutLine(
        line,
        separators.map((match) => ({ from: match.index, to: match.index + match[0].length })),
      )
    : [];
}

/** What a line says between its cuts, as pieces with a word in them. @param cuts in the line's order */
export function cutLine(line: CardLine, cuts: readonly { from: number; to: number }[]): CardLine[] {
  const ends = [...cuts, { from: line.text.length, to: line.text.length }];
  return ends.flatMap((cut, i) => {
    const from = ends[i - 1]?.to ?? 0;
    const between = line.text.slice(from, cut.from);
    const text = between.trim();
    if (!/\p{L}{2}/u.test(text)) return [];
    const start = from + between.indexOf(text);
    const at = (place: number) => line.left + ((line.right - line.left) * place) / line.text.length;
    return [{ ...line, text, from: line.from + start, left: at(start), right: at(start + text.length) }];
  });
}

/** Where a line or piece stands in the reading. */
export const spanOf = ({ index, from, text }: CardLine): SourceSpan => ({ line: index, from, to: from + text.length });

/** True when two spans have characters in common. */
export const spansOverlap = (a: SourceSpan, b: SourceSpan): boolean =>
  a.line === b.line && a.from < b.to && b.from < a.to;

/** True when two lines or pieces have characters in common. */
export const overlaps = (a: CardLine, b: CardLine): boolean =>
  a.index === b.index && a.from < b.from + b.text.length && b.from < a.from + a.text.length;

/** True when `below` is the next line under `above` in the same column, with type of like size. */
export function isNextInBlock(above: CardLine, below: CardLine, sizeTolerance = 1.35): boolean {
  const height = Math.max(above.height, below.height);
  const centreAbove = (above.top + above.bottom) / 2;
  const centreBelow = (below.top + below.bottom) / 2;
  const gap = centreBelow - centreAbove;
  if (gap < 0.4 * height || gap > 2 * height) return false;
  if (height / Math.min(above.height, below.height) > sizeTolerance) return false;
  return sharesColumn(above, below, height);
}

/** True when two lines begin, end or are centred at the same place across the card. */
export function sharesColumn(a: CardLine, b: CardLine, tolerance: number): boolean {
  const centred = Math.abs(a.left + a.right - b.left - b.right) / 2;
  return Math.min(Math.abs(a.left - b.left), Math.abs(a.right - b.right), centred) < tolerance;
}
