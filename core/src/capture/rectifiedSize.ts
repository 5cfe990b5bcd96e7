import { distance, type Point, type Quad } from './quad';

/** Longest side of a rectified card, in pixels; more does not read better (measured). */
export const LONGEST_RECTIFIED_SIDE = 1400;

/**
 * Ratio width : height of the flat rectangle whose photograph is `quad`, for a camera with square
 * pixels and its principal point at the picture's centre (Zhang & He, "Whiteboard scanning and
 * image enhancement", 2007). Near the affine case, where that estimate is unstable, the ratio of
 * mean side lengths is used.
 * @param pictureSize width and height of the picture that the quad belongs to, in pixels
 */
export function aspectOfQuad(quad: Quad, pictureSize: readonly [number, number]): number {
  const plain = meanSides(quad);
  const affine = plain.width / plain.height;
  const [u0, v0] = [pictureSize[0] / 2, pictureSize[1] / 2];
  const [m1, m2, m4, m3] = quad.map(([x, y]) => [x - u0, y - v0, 1] as const) as [V3, V3, V3, V3];
  const k2 = dot(cross(m1, m4), m3) / dot(cross(m2, m4), m3);
  const k3 = dot(cross(m1, m4), m2) / dot(cross(m3, m4), m2);
  const n2: V3 = [k2 * m2[0] - m1[0], k2 * m2[1] - m1[1], k2 - 1];
  const n3: V3 = [k3 * m3[0] - m1[0], k3 * m3[1] - m1[1], k3 - 1];
  const denominator = n2[2] * n3[2];
  if (Math.abs(denominator) < 0.002) return affine;
  const focalSquared = -(n2[0] * n3[0] + n2[1] * n3[1]) / denominator;
  const diagonal = Math.hypot(...pictureSize);
  if (!(focalSquared > (0.5 * diagonal) ** 2 && focalSquared < (3 * diagonal) ** 2)) return affine;
  const length2 = (n: V3) => (n[0] ** 2 + n[1] ** 2) / focalSquared + n[2] ** 2;
  const ratio = Math.sqrt(length2(n2) / length2(n3));
  return ratio > affine * 0.75 && ratio < affine * 1.33 ? ratio : affine;
}

/** Size in pixels to which a card outline is rectified: its natural size, at most 1,400 on the long side. */
export function rectifiedSize(quad: Quad, pictureSize: readonly [number, number]): { width: number; height: number } {
  const sides = meanSides(quad);
  const ratio = aspectOfQuad(quad, pictureSize);
  const natural = Math.max(sides.width, sides.height);
  const long = Math.min(LONGEST_RECTIFIED_SIDE, natural * 2, Math.max(natural, 900));
  const width = ratio >= 1 ? long : long * ratio;
  const height = ratio >= 1 ? long / ratio : long;
  return { width: Math.max(8, Math.round(width)), height: Math.max(8, Math.round(height)) };
}

type V3 = readonly [number, number, number];
const cross = (a: V3, b: V3): V3 => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
const dot = (a: V3, b: V3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

function meanSides([a, b, c, d]: readonly [Point, Point, Point, Point]) {
  return { width: (distance(a, b) + distance(d, c)) / 2, height: (distance(a, d) + distance(b, c)) / 2 };
}
