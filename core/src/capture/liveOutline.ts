import { frameEdges, type Frame, type FrameEdges } from './framePlanes';
import { area, distance, orderCorners, type Point, type Quad } from './quad';

/** Long side in pixels to which a frame is shrunk before its card is looked for. */
export const LIVE_LONG_SIDE = 240;

const ANGLES = 90;
/** Distances from the origin are counted in steps of so many pixels. */
const STEP = 2;
/** One pixel counts at most so many times the faintest edge, so that print does not outvote a faint border. */
const STRONGEST = 5;
const MOST_LINES = 18;
/** Sides of a card lean at most this much towards each other, by perspective. */
const LARGEST_LEAN = (22 * Math.PI) / 180;
const SMALLEST_SHARE = 0.07;
const SAMPLES = 28;
/** Least share of each side, and of all of them, that must lie on an edge. */
const WEAKEST_SIDE = 0.42;
const LEAST_SUPPORT = 0.62;

/** A line by its normal's direction 0…π and its distance from the origin, with the edges that voted for it. */
interface Line {
  angle: number;
  distance: number;
  votes: number;
}

export interface LiveOutline {
  /** In pixels of the frame. */
  quad: Quad;
  /** Share of the border that lies on an edge, 0–1. */
  support: number;
}

/**
 * The card in a small frame of the live picture: straight lines by the Hough transform (Duda and Hart
 * 1972) with the edges' own direction, then the four of them that best bound something of a card's
 * proportions. Quick rather than exact: what is photographed is found anew, and better, when it is read.
 */
export function liveOutline(frame: Frame): LiveOutline | undefined {
  const edges = frameEdges(frame);
  const lines = straightLines(edges);
  let best: LiveOutline | undefined;
  let bestScore = 0;
  for (const [a, b, c, d] of fours(lines, Math.min(frame.width, frame.height))) {
    const quad = cornersOf(a, c, b, d);
    if (!quad || !plausible(quad, frame)) continue;
    const sides = quad.map((p, i) => sideSupport(edges, p, quad[(i + 1) % 4]!));
    const support = sides.reduce((sum, s) => sum + s, 0) / 4;
    if (Math.min(...sides) < WEAKEST_SIDE || support < LEAST_SUPPORT) continue;
    // Of a card with a printed frame both are bounded well: the larger one is the card.
    const score = support * Math.pow(area(quad) / (frame.width * frame.height), 0.25);
    if (score > bestScore) {
      bestScore = score;
      best = { quad, support };
    }
  }
  return best;
}

function straightLines({ width, height, strength, direction, faintest }: FrameEdges): Line[] {
  const reach = Math.ceil(Math.hypot(width, height));
  const columns = Math.ceil((2 * reach) / STEP) + 1;
  const votes = new Float32Array(ANGLES * columns);
  const cos = Array.from({ length: ANGLES }, (_, k) => Math.cos((k * Math.PI) / ANGLES));
  const sin = Array.from({ length: ANGLES }, (_, k) => Math.sin((k * Math.PI) / ANGLES));
  for (let y = 1; y < height - 1; y++) {
    for (let x = 1; x < width - 1; x++) {
      const found = strength[y * width + x]!;
      if (found < faintest) continue;
      const vote = Math.min(STRONGEST * faintest, found);
      const towards = Math.round((direction[y * width + x]! * ANGLES) / Math.PI);
      for (let k = towards - 2; k <= towards + 2; k++) {
        const angle = (k + ANGLES) % ANGLES;
        const along = x * cos[angle]! + y * sin[angle]!;
        votes[angle * columns + Math.round((along + reach) / STEP)]! += vote;
      }
    }
  }
  return peaks(votes, columns, reach, 0.14 * Math.min(width, height) * faintest);
}

/** The strongest places of the transform that lie apart from each other. */
function peaks(votes: Float32Array, columns: number, reach: number, least: number): Line[] {
  const candidates: Line[] = [];
  for (let k = 0; k < ANGLES; k++) {
    for (let column = 1; column < columns - 1; column++) {
      const found = votes[k * columns + column]!;
      if (found < least || found < votes[k * columns + column - 1]! || found < votes[k * columns + column + 1]!)
        continue;
      candidates.push({ angle: (k * Math.PI) / ANGLES, distance: column * STEP - reach, votes: found });
    }
  }
  candidates.sort((p, q) => q.votes - p.votes);
  const kept: Line[] = [];
  for (const line of candidates) {
    if (kept.length === MOST_LINES) break;
    const near = (other: Line) => {
      const turned = Math.abs(line.angle - other.angle);
      const [lean, sign] = turned > Math.PI / 2 ? [Math.PI - turned, -1] : [turned, 1];
      return lean < 0.14 && Math.abs(line.distance - sign * other.distance) < 7;
    };
    if (!kept.some(near)) kept.push(line);
  }
  return kept;
}

const lean = (p: Line, q: Line): number => {
  const turned = Math.abs(p.angle - q.angle);
  return Math.min(turned, Math.PI - turned);
};

/** Two pairs of nearly parallel lines, the pairs crossing. */
function* fours(lines: readonly Line[], shortSide: number): Generator<[Line, Line, Line, Line]> {
  const pairs: [Line, Line][] = [];
  lines.forEach((p, i) => {
    for (const q of lines.slice(i + 1)) {
      const sign = Math.abs(p.angle - q.angle) > Math.PI / 2 ? -1 : 1;
      if (lean(p, q) < LARGEST_LEAN && Math.abs(p.distance - sign * q.distance) > 0.15 * shortSide) pairs.push([p, q]);
    }
  });
  for (const [i, one] of pairs.entries()) {
    for (const other of pairs.slice(i + 1)) {
      if (lean(one[0], other[0]) > 1 && lean(one[1], other[1]) > 1) yield [...one, ...other];
    }
  }
}

/** Corners between a and b, b and c, c and d, d and a, clockwise from top left. */
function cornersOf(a: Line, b: Line, c: Line, d: Line): Quad | undefined {
  const corners = [meet(a, b), meet(b, c), meet(c, d), meet(d, a)];
  return corners.every((p) => p !== undefined) ? orderCorners(corners) : undefined;
}

function meet(p: Line, q: Line): Point | undefined {
  const [pc, ps, qc, qs] = [Math.cos(p.angle), Math.sin(p.angle), Math.cos(q.angle), Math.sin(q.angle)];
  const cross = pc * qs - ps * qc;
  if (Math.abs(cross) < 0.2) return undefined;
  return [(p.distance * qs - q.distance * ps) / cross, (q.distance * pc - p.distance * qc) / cross];
}

function plausible(quad: Quad, { width, height }: Frame): boolean {
  const margin = 0.03 * Math.max(width, height);
  const inside = quad.every(([x, y]) => x > -margin && y > -margin && x < width + margin && y < height + margin);
  if (!inside || area(quad) < SMALLEST_SHARE * width * height) return false;
  const across = (distance(quad[0], quad[1]) + distance(quad[3], quad[2])) / 2;
  const down = (distance(quad[0], quad[3]) + distance(quad[1], quad[2])) / 2;
  const aspect = Math.max(across, down) / Math.max(1, Math.min(across, down));
  return aspect > 1.15 && aspect < 2.3;
}

/** Share of a side's places with an edge across them, within two pixels. */
function sideSupport({ width, height, strength, direction, faintest }: FrameEdges, p: Point, q: Point): number {
  const normal = Math.atan2(q[0] - p[0], -(q[1] - p[1]));
  const [nx, ny] = [Math.cos(normal), Math.sin(normal)];
  let supported = 0;
  for (let s = 0; s < SAMPLES; s++) {
    const t = 0.05 + (0.9 * s) / (SAMPLES - 1);
    const [x, y] = [p[0] + (q[0] - p[0]) * t, p[1] + (q[1] - p[1]) * t];
    for (let k = -2; k <= 2; k++) {
      const column = Math.round(x + nx * k);
      const row = Math.round(y + ny * k);
      if (column < 1 || row < 1 || column >= width - 1 || row >= height - 1) continue;
      const i = row * width + column;
      if (strength[i]! < faintest) continue;
      const turned = Math.abs((((direction[i]! - normal) % Math.PI) + Math.PI) % Math.PI);
      if (Math.min(turned, Math.PI - turned) > 0.45) continue;
      supported++;
      break;
    }
  }
  return supported / SAMPLES;
}
