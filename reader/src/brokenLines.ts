import { distance, unitVector, type Point, type Quad } from '@dossier/core/capture';

/** Boxes that reach into each other by this share of their height are parts of one line: columns never do (measured). */
const LEAST_OVERLAP = 0.2;
/** They stand on one line: how far their middles may lie apart, in heights, and one may be higher than the other. */
const MOST_OFFSET = 0.2;
const MOST_RATIO = 1.5;

/**
 * Makes one of the boxes of a line that the detector has cut in two, often through a letter, which is then read in neither.
 * @param lines outlines with their corners named so that they read
 */
export function joinBroken(lines: readonly Quad[]): Quad[] {
  const joined = [...lines];
  for (let i = 0; i < joined.length; i++) {
    const next = joined.findIndex((other, j) => j !== i && goesOnIn(joined[i]!, other));
    if (next < 0) continue;
    joined[i] = hull(joined[i]!, joined[next]!);
    joined.splice(next, 1);
    // What was joined may go on, and lines before it may go on in it.
    i = -1;
  }
  return joined;
}

/** Whether the second box begins inside the first one, and ends behind it. */
function goesOnIn(left: Quad, right: Quad): boolean {
  const heights = [heightOf(left), heightOf(right)];
  if (Math.max(...heights) > MOST_RATIO * Math.min(...heights)) return false;
  const frame = longerOf(left, right);
  const height = heightOf(frame);
  const ends = (box: Quad) => [place(frame, middle(box[0], box[3])), place(frame, middle(box[1], box[2]))] as const;
  const [[begin, a], [cut, b]] = ends(left);
  const [[goesOn, c], [end, d]] = ends(right);
  const isLevel = [a, b, c, d].every((across) => Math.abs(across - height / 2) <= MOST_OFFSET * height);
  return isLevel && goesOn > begin && goesOn <= cut - LEAST_OVERLAP * Math.min(...heights) && end > cut;
}

/** The direction of a short box tells little: that of the longer one is taken. */
const longerOf = (a: Quad, b: Quad): Quad => (distance(a[0], a[1]) >= distance(b[0], b[1]) ? a : b);

/** The box around both. */
function hull(a: Quad, b: Quad): Quad {
  const frame = longerOf(a, b);
  const places = [...a, ...b].map((point) => place(frame, point));
  const [us, vs] = [places.map(([u]) => u), places.map(([, v]) => v)];
  const [left, right, top, bottom] = [Math.min(...us), Math.max(...us), Math.min(...vs), Math.max(...vs)];
  const [along, origin] = [unitVector(frame[0], frame[1]), frame[0]];
  const at = (u: number, v: number): Point => [
    origin[0] + u * along[0] - v * along[1],
    origin[1] + u * along[1] + v * along[0],
  ];
  return [at(left, top), at(right, top), at(right, bottom), at(left, bottom)];
}

/** Where a point lies along a box and across it, in pixels from its first corner. */
function place(box: Quad, point: Point): Point {
  const [x, y] = [point[0] - box[0][0], point[1] - box[0][1]];
  const along = unitVector(box[0], box[1]);
  return [x * along[0] + y * along[1], y * along[0] - x * along[1]];
}

const heightOf = ([a, , , d]: Quad): number => Math.max(1, distance(a, d));
const middle = (p: Point, q: Point): Point => [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];
