import {
  area,
  centre,
  contains,
  distance,
  orderCorners,
  renameCorners,
  signedArea,
  type Point,
  type Quad,
} from './quad';

/** A card's border as set by a person or found, in pixels of the displayed photograph. */
export interface CardOutline {
  quad: Quad;
  /** The corners are named as the text reads: it is not turned by what the text looks like. */
  upright: boolean;
}

/** Shorter sides than this, in pixels of the photograph, hold no legible card. */
export const SHORTEST_CARD_SIDE = 40;

/** What is wrong with a border, in words; undefined when a card can be cut out along it. */
export function complaintAboutOutline(quad: Quad): string | undefined {
  if (!isConvex(quad)) return 'The border crosses itself. Drag the corners apart.';
  const sides = quad.map((p, i) => distance(p, quad[(i + 1) % 4]!));
  if (Math.min(...sides) < SHORTEST_CARD_SIDE) return 'The border is too small for a card. Drag the corners outwards.';
  return undefined;
}

function isConvex(quad: Quad): boolean {
  const turns = quad.map((p, i) => signedArea([p, quad[(i + 1) % 4]!, quad[(i + 2) % 4]!]));
  return turns.every((t) => t > 0) || turns.every((t) => t < 0);
}

/** A border with one corner moved, kept inside the photograph. */
export function moveCorner(quad: Quad, corner: number, [x, y]: Point, [width, height]: Point): Quad {
  const to: Point = [Math.min(width, Math.max(0, x)), Math.min(height, Math.max(0, y))];
  return quad.map((p, i) => (i === corner ? to : p)) as unknown as Quad;
}

/** A border moved as a whole as far as the photograph allows. */
export function moveOutline(quad: Quad, [dx, dy]: Point, [width, height]: Point): Quad {
  const within = (by: number, values: number[], size: number) =>
    Math.min(size - Math.max(...values), Math.max(-Math.min(...values), by));
  const x = within(
    dx,
    quad.map((p) => p[0]),
    width,
  );
  const y = within(
    dy,
    quad.map((p) => p[1]),
    height,
  );
  return quad.map((p) => [p[0] + x, p[1] + y] as const) as unknown as Quad;
}

/** The same card, read a quarter turn further clockwise. */
export const turnOutline = ({ quad }: CardOutline): CardOutline => ({ quad: renameCorners(quad, 1), upright: true });

const middle = (p: Point, q: Point): Point => [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];

/** Two borders for what was taken for one card: its halves along the longer side. */
export function splitOutline({ quad: [a, b, c, d], upright }: CardOutline): [CardOutline, CardOutline] {
  const wide = distance(a, b) + distance(d, c) >= distance(a, d) + distance(b, c);
  if (wide) {
    const [top, bottom] = [middle(a, b), middle(d, c)];
    return [
      { quad: [a, top, bottom, d], upright },
      { quad: [top, b, c, bottom], upright },
    ];
  }
  const [left, right] = [middle(a, d), middle(b, c)];
  return [
    { quad: [a, b, right, left], upright },
    { quad: [left, right, c, d], upright },
  ];
}

/** One border around two, along the sides of the larger. */
export function joinOutlines(one: CardOutline, other: CardOutline): CardOutline {
  const [larger, smaller] = area(one.quad) >= area(other.quad) ? [one, other] : [other, one];
  const [a, b, c, d] = larger.quad;
  const along = unit([b[0] - a[0] + c[0] - d[0], b[1] - a[1] + c[1] - d[1]]);
  const across: Point = [-along[1], along[0]];
  const points = [...larger.quad, ...smaller.quad];
  const spread = (axis: Point) => points.map(([x, y]) => x * axis[0] + y * axis[1]);
  const [u, v] = [spread(along), spread(across)];
  const at = (s: number, t: number): Point => [s * along[0] + t * across[0], s * along[1] + t * across[1]];
  const [left, right, top, bottom] = [Math.min(...u), Math.max(...u), Math.min(...v), Math.max(...v)];
  return { quad: [at(left, top), at(right, top), at(right, bottom), at(left, bottom)], upright: larger.upright };
}

function unit([x, y]: Point): Point {
  const length = Math.hypot(x, y) || 1;
  return [x / length, y / length];
}

/** A new border of a card's proportions around a place, as large as its neighbours, inside the photograph. */
export function newOutline([x, y]: Point, others: readonly Quad[], [width, height]: Point): CardOutline {
  const typical = others.length > 0 ? Math.sqrt(others.reduce((sum, q) => sum + area(q), 0) / others.length) : 0;
  const cardWidth = Math.min(width * 0.9, typical > 0 ? typical * 1.3 : width * 0.4);
  const cardHeight = Math.min(height * 0.9, cardWidth / 1.6);
  const left = Math.min(width - cardWidth, Math.max(0, x - cardWidth / 2));
  const top = Math.min(height - cardHeight, Math.max(0, y - cardHeight / 2));
  const [right, bottom] = [left + cardWidth, top + cardHeight];
  return { quad: orderCorners([[left, top], [right, top], [right, bottom], [left, bottom]]), upright: false }; // prettier-ignore
}

/** Where in the photograph a further border is most likely wanted: the middle, else the emptiest of a grid's places. */
export function emptiestPlace(outlines: readonly Quad[], [width, height]: Point): Point {
  const places = [0.5, 0.25, 0.75].flatMap((v) => [0.5, 0.25, 0.75].map((u): Point => [u * width, v * height]));
  const room = (place: Point) =>
    Math.min(Infinity, ...outlines.map((q) => (contains(q, place) ? 0 : distance(place, centre(q)))));
  return places.reduce((best, place) => (room(place) > room(best) ? place : best));
}

/** Whether two borders are the same but for less than a pixel. */
export const sameOutline = (a: Quad, b: Quad): boolean => a.every((p, i) => distance(p, b[i]!) < 1);
