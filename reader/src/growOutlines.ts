import { area, coveredShare, distance, type Point, type Quad } from '@dossier/core/capture';
import { RayFan } from './edgeLine';
import type { LabPlanes } from './labPlanes';
import { groupByDistance } from './textHulls';

/** How far apart lines may be, in line heights, to be looked at as the text of one card. */
const REACHES = [1.6, 2.6, 4, 6] as const;
const RAYS = 28;
/** A side may lean this much against the text, by perspective. */
const LARGEST_LEAN = 0.2;
/** Edges are as wide as the strips beside them: every third pixel is enough. */
const SEARCH_STEP = 3;
/** Of each side the strongest lines are tried, and the nearest that are still clear. */
const STRONGEST_LINES = 3;
const NEAREST_LINES = 2;
const CLEAR = 0.55;
const LEAST = 0.3;
const OUTLINES_A_GROUP = 6;
/** Cards are as long as high, up to so many times longer. */
const MOST_ASPECT = 2.3;
/** Square ones are fewer, and hardly one is between those and the usual. */
const SQUARE = 0.9;
const BETWEEN = { from: 1.08, to: 1.2, fit: 0.75 } as const;

interface Side {
  from: Point;
  to: Point;
  strength: number;
}

/** Groups of text lines in a picture, from which several threads grow outlines between them. */
export interface SharedGroups {
  lab: LabPlanes;
  /** Outlines of all lines of text in the same picture. */
  text: readonly Quad[];
  groups: readonly (readonly Quad[])[];
  /** One number on shared memory: how many of the groups somebody has begun with. */
  begun: Int32Array<SharedArrayBuffer>;
}

/** What one of the groups gave. */
export interface GrownOutlines {
  group: number;
  outlines: Quad[];
}

/** The groups of lines that may be the text of one card. */
export function shareGroups(lab: LabPlanes, text: readonly Quad[]): SharedGroups {
  const seen = new Set<string>();
  const groups = REACHES.flatMap((reach) => groupByDistance(text, reach)).filter((group) => {
    const key = group
      .map((box) => text.indexOf(box))
      .sort((a, b) => a - b)
      .join();
    return !seen.has(key) && seen.add(key);
  });
  return { lab, text, groups, begun: new Int32Array(new SharedArrayBuffer(4)) };
}

/**
 * Outlines grown from groups of text lines, of those that nobody else has begun: on each of the four sides of a group the
 * straightest edges beyond the text are found, and combined to four-cornered outlines. Finds cards whose contours are broken,
 * that touch each other, or that lie on grained ground.
 */
export function growLane({ lab, text, groups, begun }: SharedGroups): GrownOutlines[] {
  const grown: GrownOutlines[] = [];
  for (let i = Atomics.add(begun, 0, 1); i < groups.length; i = Atomics.add(begun, 0, 1))
    grown.push({ group: i, outlines: outlinesAround(lab, groups[i]!, text) });
  return grown;
}

/** What several threads have grown, in the order of the groups whoever took them. */
export const inOrder = (grown: readonly GrownOutlines[]): Quad[] =>
  grown.toSorted((a, b) => a.group - b.group).flatMap(({ outlines }) => outlines);

/** Half the width of the band around a side in which its edge is looked for, and how far it may lie off. */
const BAND = 12;
const OFF = 3;
/** A side on the picture's border has no edge to show: it counts half. */
const BORDER_SUPPORT = 0.5;
const BORDER = 4;

/** How surely all four sides of an outline lie on straight edges, 0–1: the mean of the sides and the weakest. */
export function outlineSupport(lab: LabPlanes, quad: Quad): number {
  const strengths = quad.map((p, i) => {
    const q = quad[(i + 1) % 4]!;
    if (isOnBorder(lab, p, q)) return BORDER_SUPPORT;
    const length = distance(p, q) || 1;
    const along: Point = [(q[0] - p[0]) / length, (q[1] - p[1]) / length];
    const across: Point = [-along[1], along[0]];
    const feet = Array.from({ length: RAYS }, (_, k): Point => {
      const t = length * (0.07 + (0.86 * k) / (RAYS - 1));
      return [p[0] + along[0] * t - across[0] * BAND, p[1] + along[1] * t - across[1] * BAND];
    });
    const fan = new RayFan(lab, feet, across, 2 * BAND);
    let strongest = 0;
    for (let first = BAND - OFF; first <= BAND + OFF; first += 2) {
      for (let last = BAND - OFF; last <= BAND + OFF; last += 2)
        strongest = Math.max(strongest, fan.strength(first, last));
    }
    return strongest;
  });
  return (strengths.reduce((sum, s) => sum + s, 0) / 4 + Math.min(...strengths)) / 2;
}

const isOnBorder = ({ width, height }: LabPlanes, p: Point, q: Point): boolean =>
  [0, 1].some((axis) => {
    const size = axis === 0 ? width : height;
    return [p, q].every((c) => c[axis]! < BORDER) || [p, q].every((c) => c[axis]! > size - 1 - BORDER);
  });

function outlinesAround(lab: LabPlanes, group: readonly Quad[], text: readonly Quad[]): Quad[] {
  const frame = textFrame(group);
  const sides = ([0, 1, 2, 3] as const).map((side) => sideLines(lab, frame, side));
  if (sides.some((lines) => lines.length === 0)) return [];
  const [tops, rights, bottoms, lefts] = sides as [Side[], Side[], Side[], Side[]];
  const found: { quad: Quad; rank: number }[] = [];
  for (const top of tops)
    for (const right of rights)
      for (const bottom of bottoms)
        for (const left of lefts) {
          const quad = quadOf(top, right, bottom, left);
          if (!quad) continue;
          const strengths = [top, right, bottom, left].map((s) => s.strength);
          const support = strengths.reduce((sum, s) => sum + s, 0) / 4;
          const weakest = Math.min(...strengths);
          const rank = (support + weakest) * aspectFit(quad);
          if (rank > 0.3) found.push({ quad, rank });
        }
  return found
    .sort((a, b) => b.rank - a.rank)
    .slice(0, 4 * OUTLINES_A_GROUP)
    .map((c) => ({ ...c, rank: c.rank * uncut(c.quad, text) }))
    .sort((a, b) => b.rank - a.rank)
    .slice(0, OUTLINES_A_GROUP)
    .map((c) => c.quad);
}

function uncut(quad: Quad, text: readonly Quad[]): number {
  const cut = text.filter((box) => {
    const share = coveredShare(box, quad);
    return share > 0.15 && share < 0.85;
  });
  return 1 / (1 + cut.length);
}

function aspectFit([a, b, c, d]: Quad): number {
  const width = (distance(a, b) + distance(d, c)) / 2;
  const height = (distance(a, d) + distance(b, c)) / 2;
  const aspect = Math.max(width, height) / Math.max(1, Math.min(width, height));
  if (aspect > MOST_ASPECT) return 0;
  return aspect < BETWEEN.from ? SQUARE : aspect < BETWEEN.to ? BETWEEN.fit : 1;
}

/** The upright box of a group in its own text direction. */
interface TextFrame {
  along: Point;
  across: Point;
  left: number;
  right: number;
  top: number;
  bottom: number;
  lineHeight: number;
}

/** Lines of a card run along or across it: their directions are averaged over quarter turns. */
function textFrame(group: readonly Quad[]): TextFrame {
  let cos = 0;
  let sin = 0;
  for (const [a, b, , d] of group) {
    const [p, q] = distance(a, b) >= distance(a, d) ? [a, b] : [a, d];
    const angle = 4 * Math.atan2(q[1] - p[1], q[0] - p[0]);
    cos += distance(p, q) * Math.cos(angle);
    sin += distance(p, q) * Math.sin(angle);
  }
  const angle = Math.atan2(sin, cos) / 4;
  const along: Point = [Math.cos(angle), Math.sin(angle)];
  const across: Point = [-along[1], along[0]];
  const points = group.flat();
  const u = points.map(([x, y]) => x * along[0] + y * along[1]);
  const v = points.map(([x, y]) => x * across[0] + y * across[1]);
  const heights = group.map((q) => Math.min(distance(q[0], q[3]), distance(q[0], q[1]))).sort((a, b) => a - b);
  return {
    along,
    across,
    left: Math.min(...u),
    right: Math.max(...u),
    top: Math.min(...v),
    bottom: Math.max(...v),
    lineHeight: heights[heights.length >> 1]!,
  };
}

const place = ({ along, across }: TextFrame, u: number, v: number): Point => [
  u * along[0] + v * across[0],
  u * along[1] + v * across[1],
];

/** A line through a fan of rays by where it crosses the first and the last. */
interface RayLine {
  first: number;
  last: number;
  strength: number;
}

/** The first lines of a list that lie apart from each other. */
function apart(lines: readonly RayLine[], most: number): RayLine[] {
  const kept: RayLine[] = [];
  for (const line of lines) {
    if (kept.length >= most) break;
    const far = (other: RayLine) => Math.abs(line.first + line.last - other.first - other.last) / 2 > 5;
    if (kept.every(far)) kept.push(line);
  }
  return kept;
}

/**
 * The strongest lines beyond the text on one side, and the picture's border where a card may be cut off by it: 0 top,
 * 1 right, 2 bottom, 3 left, each from left or top.
 */
function sideLines(lab: LabPlanes, frame: TextFrame, side: 0 | 1 | 2 | 3): Side[] {
  const { left, right, top, bottom, lineHeight } = frame;
  const vertical = side === 1 || side === 3;
  const extent = vertical ? bottom - top : right - left;
  const depth = vertical ? right - left : bottom - top;
  // Of small groups the side is looked at over more than their own extent, which shows no slope.
  const margin = Math.max(0, 4 * lineHeight - extent / 2);
  const [from, to] = vertical ? [top - margin, bottom + margin] : [left - margin, right + margin];
  const start = {
    0: top + lineHeight * 0.6,
    1: right - lineHeight * 0.6,
    2: bottom - lineHeight * 0.6,
    3: left + lineHeight * 0.6,
  }[side];
  const sign = side === 1 || side === 2 ? 1 : -1;
  const length = Math.round(Math.max(12 * lineHeight, 1.3 * Math.max(extent, depth)));
  const feet = Array.from({ length: RAYS }, (_, i) => {
    const t = from + ((to - from) * i) / (RAYS - 1);
    return vertical ? place(frame, start, t) : place(frame, t, start);
  });
  const axis = vertical ? frame.along : frame.across;
  const fan = new RayFan(lab, feet, [axis[0] * sign, axis[1] * sign], length);
  const lean = Math.ceil(LARGEST_LEAN * (to - from));
  const found: RayLine[] = [];
  for (let first = 0; first < length; first += SEARCH_STEP) {
    for (let slope = -lean; slope <= lean; slope += SEARCH_STEP) {
      const last = first + slope;
      if (last < 0 || last >= length) continue;
      const strength = fan.strength(first, last, LEAST);
      if (strength > LEAST) found.push({ first, last, strength });
    }
  }
  found.sort((a, b) => b.strength - a.strength);
  const kept = apart(found, STRONGEST_LINES);
  const middle = (line: RayLine) => (line.first + line.last) / 2;
  const clear = found.filter((line) => line.strength > CLEAR);
  const peaks = apart(clear, 12).sort((a, b) => middle(a) - middle(b));
  kept.push(...peaks.filter((line) => !kept.includes(line)).slice(0, NEAREST_LINES));
  const cut = [fan.endOf(0), fan.endOf(RAYS - 1)] as const;
  if (cut[0] < length && cut[1] < length) kept.push({ first: cut[0], last: cut[1], strength: BORDER_SUPPORT });
  const at = (foot: Point, offset: number): Point => [
    foot[0] + axis[0] * sign * offset,
    foot[1] + axis[1] * sign * offset,
  ];
  return kept.map(({ first, last, strength }) => ({
    from: at(feet[0]!, first),
    to: at(feet[RAYS - 1]!, last),
    strength,
  }));
}

function quadOf(top: Side, right: Side, bottom: Side, left: Side): Quad | undefined {
  const corners = [meet(top, left), meet(top, right), meet(bottom, right), meet(bottom, left)];
  if (corners.some((c) => c === undefined)) return undefined;
  const quad = corners as unknown as Quad;
  return area(quad) > 100 ? quad : undefined;
}

function meet(a: Side, b: Side): Point | undefined {
  const [ax, ay] = [a.to[0] - a.from[0], a.to[1] - a.from[1]];
  const [bx, by] = [b.to[0] - b.from[0], b.to[1] - b.from[1]];
  const cross = ax * by - ay * bx;
  if (Math.abs(cross) < 1e-6) return undefined;
  const t = ((b.from[0] - a.from[0]) * by - (b.from[1] - a.from[1]) * bx) / cross;
  return [a.from[0] + ax * t, a.from[1] + ay * t];
}
