import { area, coveredShare, distance, intersectionOverUnion, type Point, type Quad } from './quad';

/** An outline that may be a card. */
export interface CardCandidate {
  quad: Quad;
  /** How surely the outline lies on visible edges, 0–1. */
  edgeSupport: number;
  /** Share of the outline that lies on abrupt edges, 0–1. */
  sharpness: number;
}

const SAME_OUTLINE = 0.93;
const LEAST_SUPPORT = 0.12;
const MOST_CANDIDATES = 160;
/** Two cards may lie over each other by this share of the smaller one, and not more. */
const MOST_OVERLAP = 0.1;
const TEXT_INSIDE = 0.85;
const TEXT_OUTSIDE = 0.15;

/**
 * What speaks for and against a set of cards, in units of log-likelihood. Aspect and size of type are
 * as measured on photographs with truth: 96 of 100 cards are 1.44–1.81 as long as high, and their
 * median line of text is 3–8 % as high as the root of their area.
 */
const COST = {
  card: 1.1,
  missingEdge: 5,
  emptyCard: 1,
  aspect: 1.6,
  mostAspect: 5,
  typeSize: 1.2,
  mostTypeSize: 4,
  cutLine: 1.3,
  unevenSizes: 3,
} as const;
const GAIN_A_LINE = 0.55;
/** Of two outlines that explain the same the outer is the card, the inner a panel or its shadow's edge. */
const GAIN_OF_SIZE = 1.5;
const GAIN_OF_SHARPNESS = 2;
/** Where all sides lie on abrupt edges: a card's do, as far as they are seen; what is taken for one with its shadow, or a part of it, seldom. */
const CLEAR = { from: 0.8, gain: 10 } as const;
const MOST_LINES_COUNTED = 9;
const USUAL_ASPECT = { from: 1.46, to: 1.82, spread: 0.09 } as const;
/** Some cards are square, as far as they lie level: what that costs beside the usual. */
const SQUARE_ASPECT = { to: 1.06, spread: 0.06, cost: 1.5 } as const;
const USUAL_TYPE_SIZE = { logRatio: -3.0, spreadBelow: 0.22, spreadAbove: 0.38 } as const;

/** Least support and sharpness of the whole of an outline with its band, and how much larger than without it is. */
const BAND = { support: 0.88, sharpness: 0.88, least: 1.06, most: 1.45, gain: 0.1 } as const;
/** Two sides are one when they lie this near to each other, in roots of the card's area. */
const SAME_SIDE = 0.02;

interface Judged extends CardCandidate {
  size: number;
  /** Indices of text lines wholly inside. */
  lines: readonly number[];
  value: number;
}

/**
 * Picks the outlines that are cards, all together: the set that explains most lines of text with
 * few, well supported, card-shaped outlines of like size that do not overlap and cut no line. The
 * whole picture is a candidate too: scans show the card from border to border.
 * @param textBoxes outlines of text lines in the same picture as the candidates
 * @param wholePicture outline of that picture
 */
export function chooseCards(
  candidates: readonly CardCandidate[],
  textBoxes: readonly Quad[],
  wholePicture: Quad,
): Quad[] {
  const judged = [
    ...candidates,
    { quad: wholePicture, edgeSupport: WHOLE_PICTURE_SUPPORT, sharpness: WHOLE_PICTURE_SUPPORT },
  ]
    .filter((c) => c.edgeSupport >= LEAST_SUPPORT)
    .map((c) => judge(c, textBoxes, wholePicture))
    .filter((c) => c.value > -6)
    .sort((a, b) => b.value - a.value);
  const distinct: Judged[] = [];
  for (const c of judged) {
    if (distinct.length >= MOST_CANDIDATES) break;
    if (!distinct.some((d) => intersectionOverUnion(c.quad, d.quad) > SAME_OUTLINE)) distinct.push(c);
  }
  const best = bestSet(distinct);
  // Between several cards a strip of ground looks the same.
  const chosen = best.length === 1 ? bestSet(withBands(distinct)) : best;
  return chosen.map((c) => c.quad);
}

const WHOLE_PICTURE_SUPPORT = 0.5;

function judge(candidate: CardCandidate, textBoxes: readonly Quad[], wholePicture: Quad): Judged {
  const size = area(candidate.quad);
  const lines: number[] = [];
  let cut = 0;
  textBoxes.forEach((box, i) => {
    const share = coveredShare(box, candidate.quad);
    if (share >= TEXT_INSIDE) lines.push(i);
    else if (share > TEXT_OUTSIDE) cut++;
  });
  const value =
    (GAIN_OF_SIZE * size) / area(wholePicture) +
    GAIN_OF_SHARPNESS * candidate.sharpness +
    CLEAR.gain * Math.max(0, clarity(candidate) - CLEAR.from) -
    (lines.length === 0 ? COST.emptyCard * (1 - candidate.edgeSupport) * 10 : 0) +
    GAIN_A_LINE * Math.min(MOST_LINES_COUNTED, lines.length) -
    COST.card -
    COST.missingEdge * (1 - candidate.edgeSupport) -
    aspectCost(candidate.quad) -
    typeSizeCost(
      lines.map((i) => textBoxes[i]!),
      size,
    ) -
    COST.cutLine * cut;
  return { ...candidate, size, lines, value };
}

const clarity = ({ edgeSupport, sharpness }: CardCandidate): number => Math.min(edgeSupport, sharpness);

function aspectCost([a, b, c, d]: Quad): number {
  const width = (distance(a, b) + distance(d, c)) / 2;
  const height = (distance(a, d) + distance(b, c)) / 2;
  const aspect = Math.max(width, height) / Math.max(1, Math.min(width, height));
  const costOf = (off: number, spread: number) => COST.aspect * (Math.max(0, off) / spread) ** 2;
  const usual = costOf(
    Math.max(Math.log(USUAL_ASPECT.from / aspect), Math.log(aspect / USUAL_ASPECT.to)),
    USUAL_ASPECT.spread,
  );
  const square = SQUARE_ASPECT.cost + costOf(Math.log(aspect / SQUARE_ASPECT.to), SQUARE_ASPECT.spread);
  return Math.min(COST.mostAspect, usual, square);
}

/** Type too small for the outline speaks for a group of cards, too large for a part of one. */
function typeSizeCost(lines: readonly Quad[], size: number): number {
  const heights = lines.map((q) => Math.min(distance(q[0], q[3]), distance(q[0], q[1]))).sort((a, b) => a - b);
  if (heights.length < 2) return 0;
  const off = Math.log(heights[heights.length >> 1]! / Math.sqrt(size)) - USUAL_TYPE_SIZE.logRatio;
  const spread = off < 0 ? USUAL_TYPE_SIZE.spreadBelow : USUAL_TYPE_SIZE.spreadAbove;
  return Math.min(COST.mostTypeSize, (COST.typeSize * (off / spread) ** 2) / 2);
}

/**
 * A card with a band in another colour along one side has two outlines with three sides in common, and the seam of the band
 * is often the clearer fourth side: the outer one is the card where its own fourth side is clear too.
 */
function withBands(candidates: readonly Judged[]): Judged[] {
  return candidates.map((outer) => {
    if (outer.edgeSupport < BAND.support || outer.sharpness < BAND.sharpness) return outer;
    const inner = candidates.filter((c) => c.value > outer.value && isWithoutBand(c, outer));
    return inner.length === 0 ? outer : { ...outer, value: Math.max(...inner.map((c) => c.value)) + BAND.gain };
  });
}

function isWithoutBand(inner: Judged, outer: Judged): boolean {
  const growth = outer.size / inner.size;
  if (growth < BAND.least || growth > BAND.most || aspectCost(outer.quad) > 0) return false;
  const near = SAME_SIDE * Math.sqrt(outer.size);
  const apart = outer.quad.map((_, i) => {
    const [a, b] = [inner.quad[i]!, inner.quad[(i + 1) % 4]!];
    return Math.max(...[outer.quad[i]!, outer.quad[(i + 1) % 4]!].map((corner) => distanceToLine(corner, a, b)));
  });
  return apart.filter((off) => off < near).length === 3;
}

/** Of a point to the line through two others. */
const distanceToLine = ([x, y]: Point, [ax, ay]: Point, [bx, by]: Point): number =>
  Math.abs((bx - ax) * (y - ay) - (by - ay) * (x - ax)) / Math.max(1e-9, Math.hypot(bx - ax, by - ay));

/** Hill climbing over sets of outlines from several starts; a move adds one and drops what it overlaps, or drops one. */
function bestSet(candidates: readonly Judged[]): Judged[] {
  const conflicts = candidates.map((a) => new Set(candidates.filter((b) => b !== a && overlap(a, b))));
  let best: Judged[] = [];
  let bestValue = 0;
  const starts: Judged[][] = [[], ...candidates.slice(0, 12).map((c) => [c])];
  for (const start of starts) {
    let current = start;
    let value = valueOf(current);
    for (;;) {
      let next: Judged[] | undefined;
      let nextValue = value + 1e-9;
      const consider = (set: Judged[]) => {
        const v = valueOf(set);
        if (v > nextValue) [next, nextValue] = [set, v];
      };
      candidates.forEach((c, i) => {
        if (current.includes(c)) consider(current.filter((d) => d !== c));
        else consider([...current.filter((d) => !conflicts[i]!.has(d)), c]);
      });
      if (!next) break;
      [current, value] = [next, nextValue];
    }
    if (value > bestValue) [best, bestValue] = [current, value];
  }
  return best;
}

const overlap = (a: Judged, b: Judged): boolean =>
  coveredShare(a.quad, b.quad) > MOST_OVERLAP || coveredShare(b.quad, a.quad) > MOST_OVERLAP;

/** Cards of one picture are about the same size; the spread of their sizes counts against a set. */
function valueOf(set: readonly Judged[]): number {
  if (set.length === 0) return 0;
  const logs = set.map((c) => Math.log(c.size));
  const mean = logs.reduce((sum, l) => sum + l, 0) / logs.length;
  const uneven = logs.reduce((sum, l) => sum + (l - mean) ** 2, 0);
  return set.reduce((sum, c) => sum + c.value, 0) - COST.unevenSizes * uneven;
}
