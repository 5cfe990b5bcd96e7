import type { Point } from './quad';

/** Convex hull, clockwise on screen (Andrew 1979, monotone chain). */
export function convexHull(points: readonly Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  if (sorted.length < 3) return sorted;
  const chain = (ordered: readonly Point[]) => {
    const hull: Point[] = [];
    for (const p of ordered) {
      while (hull.length > 1 && turn(hull[hull.length - 2]!, hull[hull.length - 1]!, p) <= 0) hull.pop();
      hull.push(p);
    }
    hull.pop();
    return hull;
  };
  return [...chain(sorted), ...chain(sorted.reverse())];
}

const turn = (o: Point, a: Point, b: Point): number => (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);
