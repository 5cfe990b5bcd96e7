import { distance } from '../capture';
import type { Reading, ReadLine } from './types';

/** A line with what the decisions need to know about its place and size on the card. */
export interface CardLine {
  index: number;
  text: string;
  read: ReadLine;
  /** Height of its outline in pixels, and the same over the median height of the card's lines. */
  height: number;
  relativeHeight: number;
  isTallest: boolean;
  left: number;
  right: number;
  top: number;
  bottom: number;
}

export function cardLines(reading: Reading): CardLine[] {
  const heights = reading.lines.map((l) => (distance(l.quad[0], l.quad[3]) + distance(l.quad[1], l.quad[2])) / 2);
  const median = [...heights].sort((a, b) => a - b)[heights.length >> 1] || 1;
  return reading.lines.map((read, index) => {
    const xs = read.quad.map((p) => p[0]);
    const ys = read.quad.map((p) => p[1]);
    const height = heights[index]!;
    return {
      index,
      text: read.text,
      read,
      height,
      relativeHeight: height / median,
      isTallest: height === Math.max(...heights),
      left: Math.min(...xs),
      right: Math.max(...xs),
      top: Math.min(...ys),
      bottom: Math.max(...ys),
    };
  });
}

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
