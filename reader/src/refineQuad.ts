import { homographyBetween, type Point, type Quad } from '@dossier/core/capture';
import type { Pixels } from './pixels';

const SAMPLES = 48;

/**
 * Moves the sides of an outline onto the strongest edge within reach, to a fraction of a pixel:
 * across each side the steepest change of brightness is found at 48 places, a line is fitted to
 * them robustly (Theil–Sen, Sen 1968) and neighbouring lines are intersected.
 * @param reach how far an edge may lie from the given side, in pixels
 */
export function refineQuad(picture: Pixels, quad: Quad, reach: number): Quad {
  const sides = quad.map((p, i) => fitSide(picture, p, quad[(i + 1) % 4]!, reach));
  const corners = sides.map((side, i) => meet(sides[(i + 3) % 4]!, side));
  const settled = corners.map((corner, i) => {
    const before = quad[i]!;
    return corner && Math.hypot(corner[0] - before[0], corner[1] - before[1]) < reach * 2.5 ? corner : before;
  }) as unknown as Quad;
  try {
    homographyBetween(settled, quad);
    return settled;
  } catch {
    return quad;
  }
}

interface Line {
  point: Point;
  direction: Point;
}

function fitSide(picture: Pixels, p: Point, q: Point, reach: number): Line {
  const length = Math.hypot(q[0] - p[0], q[1] - p[1]) || 1;
  const direction: Point = [(q[0] - p[0]) / length, (q[1] - p[1]) / length];
  const normal: Point = [-direction[1], direction[0]];
  const offsets: { t: number; offset: number }[] = [];
  for (let s = 0; s < SAMPLES; s++) {
    const t = length * (0.06 + (0.88 * s) / (SAMPLES - 1));
    const foot: Point = [p[0] + direction[0] * t, p[1] + direction[1] * t];
    const offset = steepest(picture, foot, normal, reach);
    if (offset !== undefined) offsets.push({ t, offset });
  }
  if (offsets.length < SAMPLES / 3) return { point: p, direction };
  const slopes: number[] = [];
  for (let i = 0; i < offsets.length; i++) {
    for (let j = i + 4; j < offsets.length; j++) {
      slopes.push((offsets[j]!.offset - offsets[i]!.offset) / (offsets[j]!.t - offsets[i]!.t));
    }
  }
  const slope = median(slopes);
  const intercept = median(offsets.map((o) => o.offset - slope * o.t));
  const at = (t: number): Point => [
    p[0] + direction[0] * t + normal[0] * (intercept + slope * t),
    p[1] + direction[1] * t + normal[1] * (intercept + slope * t),
  ];
  const [a, b] = [at(0), at(length)];
  return { point: a, direction: [(b[0] - a[0]) / length, (b[1] - a[1]) / length] };
}

/** Offset along `normal` of the steepest change of brightness, or undefined where there is none. */
function steepest(picture: Pixels, foot: Point, normal: Point, reach: number): number | undefined {
  const count = Math.ceil(reach * 2) * 2 + 1;
  const profile: number[] = [];
  for (let i = 0; i < count; i++) {
    const k = -reach + (2 * reach * i) / (count - 1);
    profile.push(brightness(picture, foot[0] + normal[0] * k, foot[1] + normal[1] * k));
  }
  let best = -1;
  let bestChange = 6;
  for (let i = 2; i < count - 2; i++) {
    const change = Math.abs(profile[i + 1]! + profile[i + 2]! - profile[i - 1]! - profile[i - 2]!) / 2;
    const nearness = 1 - 0.35 * Math.abs((2 * i) / (count - 1) - 1);
    if (change * nearness > bestChange) {
      bestChange = change * nearness;
      best = i;
    }
  }
  return best < 0 ? undefined : -reach + (2 * reach * best) / (count - 1);
}

function brightness({ data, width, height }: Pixels, x: number, y: number): number {
  const cx = Math.min(width - 1, Math.max(0, Math.round(x)));
  const cy = Math.min(height - 1, Math.max(0, Math.round(y)));
  const at = (cy * width + cx) * 3;
  return 0.3 * data[at]! + 0.59 * data[at + 1]! + 0.11 * data[at + 2]!;
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[sorted.length >> 1] ?? 0;
}

function meet(a: Line, b: Line): Point | undefined {
  const cross = a.direction[0] * b.direction[1] - a.direction[1] * b.direction[0];
  if (Math.abs(cross) < 0.15) return undefined;
  const t = ((b.point[0] - a.point[0]) * b.direction[1] - (b.point[1] - a.point[1]) * b.direction[0]) / cross;
  return [a.point[0] + a.direction[0] * t, a.point[1] + a.direction[1] * t];
}
