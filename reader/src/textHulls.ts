import { centre, distance, orderCorners, type Point, type Quad } from '@dossier/core/capture';
import { openCv, withMats } from './openCv';

/** Lines further apart than this many line heights belong to different cards. */
const NEIGHBOUR_REACH = 5.5;
/** Margin of a card around its text, in median line heights. */
const MARGIN = 1.6;

/**
 * Where a card's edges cannot be seen, the smallest rectangle around a group of neighbouring text
 * lines stands in for it, widened by a margin.
 */
export async function textHulls(boxes: readonly Quad[]): Promise<Quad[]> {
  const { cv } = await openCv();
  return groupByDistance(boxes, NEIGHBOUR_REACH).map((group) =>
    withMats((keep) => {
      const points = group.flatMap((quad) => quad.flatMap(([x, y]) => [x, y]));
      const rect = cv.minAreaRect(keep(cv.matFromArray(points.length / 2, 1, cv.CV_32FC2, points)));
      const heights = group.map((q) => Math.min(distance(q[0], q[3]), distance(q[0], q[1]))).sort((a, b) => a - b);
      const margin = MARGIN * heights[heights.length >> 1]!;
      rect.size.width += 2 * margin;
      rect.size.height += 2 * margin;
      return orderCorners(cv.RotatedRect.points(rect).map(({ x, y }: { x: number; y: number }): Point => [x, y]));
    }),
  );
}

/** Boxes in groups of neighbours; `reach` is the largest gap between neighbours in line heights. */
export function groupByDistance(boxes: readonly Quad[], reach: number): Quad[][] {
  const groups: Quad[][] = [];
  for (const box of boxes) {
    const near = groups.filter((group) => group.some((other) => areNeighbours(box, other, reach)));
    const merged = [box, ...near.flat()];
    for (const group of near) groups.splice(groups.indexOf(group), 1);
    groups.push(merged);
  }
  return groups;
}

function areNeighbours(a: Quad, b: Quad, reach: number): boolean {
  const height = Math.max(thickness(a), thickness(b));
  const gaps = [...a, centre(a)].flatMap((p) => [...b, centre(b)].map((q) => distance(p, q)));
  return Math.min(...gaps) < reach * height;
}

const thickness = (box: Quad): number => Math.min(distance(box[0], box[3]), distance(box[0], box[1]));
