import { distance, type Point, type Quad } from '../capture/quad';
import type { Reading, SourceSpan } from '../reading/fields';

/** An upright rectangle in pixels of the rectified card. */
export interface Area {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** Room left around the text, as a share of the line's height. */
const MARGIN = 0.12;

/**
 * The outline of some characters of a line, from the places of its characters along it.
 * @param margin room left around them, as a share of the line's height
 */
export function spanQuad({ lines }: Reading, { line, from, to }: SourceSpan, margin = 0): Quad | undefined {
  const read = lines[line];
  if (!read) return undefined;
  const at = read.characters.map((c) => c.at);
  const start = from <= 0 ? 0 : ((at[from - 1] ?? 0) + (at[from] ?? 1)) / 2;
  const end = to >= at.length ? 1 : ((at[to - 1] ?? 0) + (at[to] ?? 1)) / 2;
  const [a, b, c, d] = read.quad;
  const along = (p: Point, q: Point, t: number): Point => [p[0] + (q[0] - p[0]) * t, p[1] + (q[1] - p[1]) * t];
  return widened([along(a, b, start), along(a, b, end), along(d, c, end), along(d, c, start)], margin);
}

/** The part of the card picture to show for a span, with a little room around it, inside the picture. */
export function spanArea(reading: Reading, span: SourceSpan): Area | undefined {
  const quad = spanQuad(reading, span);
  if (!quad) return undefined;
  const xs = quad.map((p) => p[0]);
  const ys = quad.map((p) => p[1]);
  const margin = MARGIN * (Math.max(...ys) - Math.min(...ys));
  const left = Math.max(0, Math.min(...xs) - 2 * margin);
  const top = Math.max(0, Math.min(...ys) - margin);
  return {
    left,
    top,
    width: Math.min(reading.width, Math.max(...xs) + 2 * margin) - left,
    height: Math.min(reading.height, Math.max(...ys) + margin) - top,
  };
}

/** An outline moved outward by a share of its height on every side. */
function widened([a, b, c, d]: Quad, share: number): Quad {
  const step = (from: Point, to: Point, length: number): Point => {
    const whole = distance(from, to) || 1;
    return [((to[0] - from[0]) / whole) * length, ((to[1] - from[1]) / whole) * length];
  };
  const by = share * distance(a, d);
  const [rx, ry] = step(a, b, by);
  const [dx, dy] = step(a, d, by);
  return [
    [a[0] - rx - dx, a[1] - ry - dy],
    [b[0] + rx - dx, b[1] + ry - dy],
    [c[0] + rx + dx, c[1] + ry + dy],
    [d[0] - rx + dx, d[1] - ry + dy],
  ];
}
