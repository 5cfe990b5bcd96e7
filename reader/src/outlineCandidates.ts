import { area, convexHull, orderCorners, type Point, type Quad } from '@dossier/core/capture';
import { openCv, withMats, type OpenCv } from './openCv';
import type { LabPlanes } from './labPlanes';

/** Long side at which outlines are looked for (measured: larger finds no more). */
export const OUTLINE_LONG_SIDE = 640;

/** Side of the smoothing window, on top of the smoothing the planes have had. */
const BLUR = 3;
const SMALLEST_SHARE = 0.012;
const LARGEST_SHARE = 0.985;

/**
 * Four-cornered outlines in a small picture, by hull and polygon approximation of the regions of two Canny edge maps
 * (weak and strong) and of what lies between the edges. Otsu masks and closed edge maps added nothing to what these and
 * the outlines grown from text find (measured on 120 photographs).
 */
export async function outlineCandidates({ width, height, planes }: LabPlanes): Promise<Quad[]> {
  const { cv } = await openCv();
  return withMats((keep) => {
    const blurred = planes.map((plane) => {
      const mat = keep(cv.matFromArray(height, width, cv.CV_8UC1, plane as unknown as number[]));
      cv.GaussianBlur(mat, mat, new cv.Size(BLUR, BLUR), 0);
      return mat;
    });
    const quads: Quad[] = [];
    const kernel = keep(cv.getStructuringElement(cv.MORPH_RECT, new cv.Size(3, 3)));
    const mask = keep(new cv.Mat());
    const collect = (regions: Mat) => quads.push(...quadsOfRegions(cv, regions, width, height));

    for (const [low, high] of [
      [20, 60],
      [50, 150],
    ] as const) {
      blurred.forEach((plane, i) => {
        if (i > 0 && low > 20) return;
        cv.Canny(plane, mask, low, high);
        cv.dilate(mask, mask, kernel);
        collect(mask);
        cv.bitwise_not(mask, mask);
        collect(mask);
      });
    }
    return distinct(quads);
  });
}

type Mat = InstanceType<OpenCv['Mat']>;

/** Quads of the large connected regions of a mask. */
function quadsOfRegions(cv: OpenCv, regions: Mat, width: number, height: number): Quad[] {
  return withMats((keep) => {
    const labels = keep(new cv.Mat());
    const stats = keep(new cv.Mat());
    const centroids = keep(new cv.Mat());
    const count = cv.connectedComponentsWithStats(regions, labels, stats, centroids, 4, cv.CV_32S);
    const [measures, labelled] = [stats.data32S, labels.data32S];
    const large: number[] = [];
    for (let label = 1; label < count; label++) {
      const [, , w, h] = measures.subarray(label * 5, label * 5 + 4);
      if (w! * h! >= SMALLEST_SHARE * width * height) large.push(label);
    }
    return hullsOfRegions(labelled, width, height, large, measures)
      .map((hull) => quadOfHull(cv, hull))
      .filter((quad) => quad !== undefined)
      .filter((quad) => plausible(quad, width * height));
  });
}

/** Hulls of labelled regions from the first and last pixel of each row. */
function hullsOfRegions(
  labels: Int32Array,
  width: number,
  height: number,
  wanted: readonly number[],
  stats: Int32Array,
): Point[][] {
  return wanted.map((label) => {
    const [left, top, w, h] = stats.subarray(label * 5, label * 5 + 4) as unknown as [number, number, number, number];
    const points: Point[] = [];
    for (let y = top; y < Math.min(height, top + h); y++) {
      const row = y * width;
      let first = left;
      while (first < left + w && labels[row + first] !== label) first++;
      if (first === left + w) continue;
      let last = left + w - 1;
      while (labels[row + last] !== label) last--;
      points.push([first, y], [last, y]);
    }
    return convexHull(points);
  });
}

function plausible(quad: Quad, pictureArea: number): boolean {
  const share = area(quad) / pictureArea;
  return share >= SMALLEST_SHARE && share <= LARGEST_SHARE;
}

/** Approximates the hull by four corners; rounded cards fall back to their smallest rectangle. */
function quadOfHull(cv: OpenCv, points: readonly Point[]): Quad | undefined {
  if (points.length < 4) return undefined;
  return withMats((keep) => {
    const hull = keep(cv.matFromArray(points.length, 1, cv.CV_32SC2, points.flat()));
    const hullArea = area(points);
    const perimeter = cv.arcLength(hull, true);
    for (const tolerance of [0.02, 0.03, 0.045, 0.06]) {
      const polygon = keep(new cv.Mat());
      cv.approxPolyDP(hull, polygon, tolerance * perimeter, true);
      if (polygon.rows !== 4) continue;
      const corners = [0, 1, 2, 3].map((i): Point => [polygon.data32S[i * 2]!, polygon.data32S[i * 2 + 1]!]);
      if (hullArea / Math.max(1, area(corners)) < 1.12) return orderCorners(corners);
    }
    const rect = cv.minAreaRect(hull);
    if (hullArea < 0.9 * rect.size.width * rect.size.height) return undefined;
    return orderCorners(cv.RotatedRect.points(rect).map(({ x, y }: { x: number; y: number }): Point => [x, y]));
  });
}

function distinct(quads: readonly Quad[]): Quad[] {
  const kept: Quad[] = [];
  for (const quad of quads) {
    const near = (other: Quad) => quad.every((p, i) => Math.hypot(p[0] - other[i]![0], p[1] - other[i]![1]) < 3);
    if (!kept.some(near)) kept.push(quad);
  }
  return kept;
}
