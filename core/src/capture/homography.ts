import type { Point, Quad } from './quad';

/** Row-major 3×3 matrix of a plane-to-plane projective map; the last entry is 1. */
export type Homography = readonly [number, number, number, number, number, number, number, number, number];

/**
 * The projective map that takes the four corners `from` to `to` (Hartley & Zisserman,
 * Multiple View Geometry, 2nd ed., section 4.1, with h33 = 1).
 * @throws RangeError when three corners lie on one line.
 */
export function homographyBetween(from: Quad, to: Quad): Homography {
  const rows: number[][] = [];
  for (let i = 0; i < 4; i++) {
    const [x, y] = from[i]!;
    const [u, v] = to[i]!;
    rows.push([x, y, 1, 0, 0, 0, -u * x, -u * y, u]);
    rows.push([0, 0, 0, x, y, 1, -v * x, -v * y, v]);
  }
  const h = solve(rows);
  return [h[0]!, h[1]!, h[2]!, h[3]!, h[4]!, h[5]!, h[6]!, h[7]!, 1];
}

export function applyHomography(h: Homography, [x, y]: Point): Point {
  const w = h[6] * x + h[7] * y + h[8];
  return [(h[0] * x + h[1] * y + h[2]) / w, (h[3] * x + h[4] * y + h[5]) / w];
}

/** Gaussian elimination with partial pivoting on an augmented matrix. */
function solve(rows: number[][]): number[] {
  const n = rows.length;
  for (let col = 0; col < n; col++) {
    let pivot = col;
    for (let r = col + 1; r < n; r++) {
      if (Math.abs(rows[r]![col]!) > Math.abs(rows[pivot]![col]!)) pivot = r;
    }
    if (Math.abs(rows[pivot]![col]!) < 1e-10) throw new RangeError('The corners do not span an area.');
    [rows[col], rows[pivot]] = [rows[pivot]!, rows[col]!];
    for (let r = 0; r < n; r++) {
      if (r === col) continue;
      const factor = rows[r]![col]! / rows[col]![col]!;
      for (let c = col; c <= n; c++) rows[r]![c]! -= factor * rows[col]![c]!;
    }
  }
  return rows.map((row, i) => row[n]! / row[i]!);
}
