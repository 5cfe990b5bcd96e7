import { leastCostPairs } from './leastCostPairs';
import { centre, type Point, type Quad } from './quad';

export interface PlacedCard {
  id: string;
  quad: Quad;
}

/** How the backs lie against the fronts: each card turned over in its place, or rows or columns turned over as a whole. */
export type Laid = 'inPlace' | 'sideways' | 'endways';

const LAID: Readonly<Record<Laid, (p: Point) => Point>> = {
  inPlace: (p) => p,
  sideways: ([x, y]) => [1 - x, y],
  endways: ([x, y]) => [x, 1 - y],
};
/** Cards are mostly turned over where they lie: another way must fit so much better to be believed. */
const CLEARLY_BETTER = 0.6;
/** Cards farther apart than this share of the whole layout are not each other's sides. */
const TOO_FAR = 0.5;

/**
 * Matches several fronts in one picture with their backs in another, by where they lie. The pictures need not show the
 * cards at the same size or place; every front gets at most one back.
 */
export function matchBacks(
  fronts: readonly PlacedCard[],
  backs: readonly PlacedCard[],
): { pairs: { frontId: string; backId: string }[]; laid: Laid } {
  if (fronts.length === 0 || backs.length === 0) return { pairs: [], laid: 'inPlace' };
  const from = layout(fronts);
  const to = layout(backs);
  const ways = (Object.keys(LAID) as Laid[]).map((laid) => {
    const costs = from.map((p) => to.map((q) => squared(p, LAID[laid](q))));
    const pairs = leastCostPairs(costs);
    return { laid, costs, pairs, cost: pairs.reduce((sum, [i, j]) => sum + costs[i]![j]!, 0) };
  });
  const [inPlace, ...others] = ways;
  const other = others.reduce((best, way) => (way.cost < best.cost ? way : best));
  const chosen = other.cost < inPlace!.cost * CLEARLY_BETTER ? other : inPlace!;
  const pairs = chosen.pairs
    .filter(([i, j]) => chosen.costs[i]![j]! < TOO_FAR ** 2)
    .map(([i, j]) => ({ frontId: fronts[i]!.id, backId: backs[j]!.id }));
  return { pairs, laid: chosen.laid };
}

/** Centres of the cards within the box of all of them, 0–1 along each side; in the middle along a side without extent. */
function layout(cards: readonly PlacedCard[]): Point[] {
  const centres = cards.map((card) => centre(card.quad));
  const along = (axis: 0 | 1) => {
    const values = centres.map((p) => p[axis]);
    const least = Math.min(...values);
    return { least, span: Math.max(...values) - least };
  };
  const [x, y] = [along(0), along(1)];
  // A row of cards that is not quite level is no column: short extents count for little.
  const scale = Math.max(x.span, y.span);
  const place = (value: number, { least, span }: { least: number; span: number }) =>
    span < scale * 0.2 ? 0.5 : (value - least) / span;
  return centres.map(([cx, cy]) => [place(cx, x), place(cy, y)]);
}

const squared = ([ax, ay]: Point, [bx, by]: Point): number => (ax - bx) ** 2 + (ay - by) ** 2;
