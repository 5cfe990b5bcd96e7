/** A point [x, y] in pixels of the picture it belongs to; y grows downwards. */
export type Point = readonly [number, number];

/** Four corners: top left, top right, bottom right, bottom left, in the reading order of what is inside. */
export type Quad = readonly [Point, Point, Point, Point];

/** Number of quarter turns clockwise. */
export type QuarterTurns = 0 | 1 | 2 | 3;

export const distance = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], a[1] - b[1]);

/** The direction from one point to another, as a vector of length 1. */
export function unitVector(from: Point, to: Point): Point {
  const length = distance(from, to) || 1;
  return [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
}

/** Signed area in square pixels: positive when the corners run clockwise on screen. */
export function signedArea(polygon: readonly Point[]): number {
  let twice = 0;
  polygon.forEach(([x, y], i) => {
    const [u, v] = polygon[(i + 1) % polygon.length]!;
    twice += x * v - u * y;
  });
  return twice / 2;
}

export const area = (polygon: readonly Point[]): number => Math.abs(signedArea(polygon));

export function centre(polygon: readonly Point[]): Point {
  const sum = polygon.reduce(([sx, sy], [x, y]) => [sx + x, sy + y], [0, 0]);
  return [sum[0]! / polygon.length, sum[1]! / polygon.length];
}

export const scaleQuad = (quad: Quad, factorX: number, factorY = factorX): Quad =>
  quad.map(([x, y]) => [x * factorX, y * factorY] as Point) as unknown as Quad;

/** The same outline with its corners named after turning the content by `turns` quarters clockwise. */
export function renameCorners(quad: Quad, turns: QuarterTurns): Quad {
  const [a, b, c, d] = quad;
  const orders: Record<QuarterTurns, Quad> = {
    0: [a, b, c, d],
    1: [d, a, b, c],
    2: [c, d, a, b],
    3: [b, c, d, a],
  };
  return orders[turns];
}

/**
 * Orders four corners clockwise and begins with the one that is top left for a reader whose
 * head is upright: the start is chosen so that the first side is the flattest of those on top.
 */
export function orderCorners(corners: readonly Point[]): Quad {
  const [cx, cy] = centre(corners);
  const clockwise = [...corners].sort((p, q) => Math.atan2(p[1] - cy, p[0] - cx) - Math.atan2(q[1] - cy, q[0] - cx));
  let best = 0;
  let bestTilt = Infinity;
  for (let i = 0; i < 4; i++) {
    const p = clockwise[i]!;
    const q = clockwise[(i + 1) % 4]!;
    const tilt = Math.abs(Math.atan2(q[1] - p[1], q[0] - p[0]));
    if (tilt < bestTilt) {
      bestTilt = tilt;
      best = i;
    }
  }
  return [0, 1, 2, 3].map((k) => clockwise[(best + k) % 4]!) as unknown as Quad;
}

/** True when the point lies inside or on the convex polygon, whatever its winding. */
export function contains(polygon: readonly Point[], [x, y]: Point): boolean {
  let sign = 0;
  for (let i = 0; i < polygon.length; i++) {
    const [ax, ay] = polygon[i]!;
    const [bx, by] = polygon[(i + 1) % polygon.length]!;
    const cross = (bx - ax) * (y - ay) - (by - ay) * (x - ax);
    if (cross === 0) continue;
    if (sign === 0) sign = Math.sign(cross);
    else if (Math.sign(cross) !== sign) return false;
  }
  return true;
}

/** Intersection of two convex polygons (Sutherland and Hodgman 1974). */
export function intersect(subject: readonly Point[], clip: readonly Point[]): Point[] {
  const clockwise = signedArea(clip) < 0 ? [...clip].reverse() : clip;
  let output: Point[] = signedArea(subject) < 0 ? [...subject].reverse() : [...subject];
  for (let i = 0; i < clockwise.length && output.length > 0; i++) {
    const [ax, ay] = clockwise[i]!;
    const [bx, by] = clockwise[(i + 1) % clockwise.length]!;
    const side = ([x, y]: Point) => (bx - ax) * (y - ay) - (by - ay) * (x - ax);
    const input = output;
    output = [];
    input.forEach((p, j) => {
      const q = input[(j + 1) % input.length]!;
      const sp = side(p);
      const sq = side(q);
      if (sp >= 0) output.push(p);
      if (sp >= 0 !== sq >= 0) {
        const t = sp / (sp - sq);
        output.push([p[0] + (q[0] - p[0]) * t, p[1] + (q[1] - p[1]) * t]);
      }
    });
  }
  return output;
}

/** Whether two polygons stand so far apart that their upright boxes do not meet. */
function areApart(a: readonly Point[], b: readonly Point[]): boolean {
  return [0, 1].some((axis) => {
    let [leastA, mostA, leastB, mostB] = [Infinity, -Infinity, Infinity, -Infinity];
    for (const point of a) {
      leastA = Math.min(leastA, point[axis]!);
      mostA = Math.max(mostA, point[axis]!);
    }
    for (const point of b) {
      leastB = Math.min(leastB, point[axis]!);
      mostB = Math.max(mostB, point[axis]!);
    }
    return mostA < leastB || mostB < leastA;
  });
}

/** Area that two convex polygons have in common. */
function commonArea(a: readonly Point[], b: readonly Point[]): number {
  if (areApart(a, b)) return 0;
  const common = intersect(a, b);
  return common.length < 3 ? 0 : area(common);
}

/** Share of `inner` that lies inside `outer`, 0–1. */
export function coveredShare(inner: readonly Point[], outer: readonly Point[]): number {
  const whole = area(inner);
  return whole === 0 ? 0 : commonArea(inner, outer) / whole;
}

/** Intersection over union of two convex polygons, 0–1. */
export function intersectionOverUnion(a: readonly Point[], b: readonly Point[]): number {
  const shared = commonArea(a, b);
  const union = area(a) + area(b) - shared;
  return union > 0 ? shared / union : 0;
}

export const rectangle = (left: number, top: number, width: number, height: number): Quad => [
  [left, top],
  [left + width, top],
  [left + width, top + height],
  [left, top + height],
];
