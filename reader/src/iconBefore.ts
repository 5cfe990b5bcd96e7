import { distance, type Point, type Quad } from '@dossier/core/capture';
import type { LineIcon } from '@dossier/core/reading';
import { LINE_HEIGHT } from './lineCrop';
import type { Pixels } from './pixels';
import { warpQuad } from './warp';

/** Where an icon is looked for, in line heights: before the line, and a little above and below it. */
const REACH = 1.9;
const OVERHANG = 0.2;
/** A pixel belongs to an icon when it differs from the ground by this share of what differs most, and by so many levels. */
const LEAST_SHARE = 0.4;
const LEAST_DIFFERENCE = 40;
/** Lowest and highest icon, in line heights. */
const HEIGHT = { from: 0.45, to: 1.05 } as const;
/** How high an upright telephone is for its width. */
const ASPECT = { from: 1.35, to: 2.3 } as const;
/** Share of its rows and columns that reach its sides, and how near they come, as a share of its width or height. */
const STRAIGHT = 0.9;
const NEAR = 0.08;
/** Corners of an outline count less: they are rounded. */
const CORNER = 0.15;

/**
 * What an icon printed right before a line says about it: an upright rectangle, about twice as high as wide and straight
 * on all four sides, is a mobile telephone. Others (handset, envelope, globe) say nothing that the line does not.
 */
export function iconBefore(card: Pixels, line: Quad): LineIcon | undefined {
  const height = (distance(line[0], line[3]) + distance(line[1], line[2])) / 2;
  const region = regionBefore(line, height);
  if (region.some(([x, y]) => x < 0 || y < 0 || x > card.width || y > card.height)) return undefined;
  const width = Math.round(LINE_HEIGHT * REACH);
  const crop = warpQuad(card, region, width, Math.round(LINE_HEIGHT * (1 + 2 * OVERHANG)));
  const shape = onlyShape(maskOf(crop), crop.width, crop.height);
  return shape && isUprightRectangle(shape) ? 'mobile' : undefined;
}

function regionBefore([a, b, , d]: Quad, height: number): Quad {
  const length = distance(a, b) || 1;
  const along: Point = [(b[0] - a[0]) / length, (b[1] - a[1]) / length];
  const down: Point = [(d[0] - a[0]) / (height || 1), (d[1] - a[1]) / (height || 1)];
  const at = (u: number, v: number): Point => [
    a[0] + (along[0] * u + down[0] * v) * height,
    a[1] + (along[1] * u + down[1] * v) * height,
  ];
  return [at(-REACH, -OVERHANG), at(0, -OVERHANG), at(0, 1 + OVERHANG), at(-REACH, 1 + OVERHANG)];
}

/** Pixels that stand out from the ground, which is what most pixels are like. */
function maskOf({ data, width, height }: Pixels): Uint8Array {
  const count = width * height;
  const ground = [0, 1, 2].map(
    (c) => Uint8Array.from({ length: count }, (_, i) => data[i * 3 + c]!).sort()[count >> 1]!,
  );
  const difference = Uint8Array.from({ length: count }, (_, i) =>
    Math.max(...ground.map((level, c) => Math.abs(data[i * 3 + c]! - level))),
  );
  const least = Math.max(LEAST_DIFFERENCE, LEAST_SHARE * Math.max(...difference));
  return difference.map((d) => (d >= least ? 1 : 0));
}

/** For each row and column of a connected shape its first and last pixel, counted from its own corner. */
interface Shape {
  width: number;
  height: number;
  rows: { first: number; last: number }[];
  columns: { first: number; last: number }[];
}

/** The one shape as high as an icon, unless it goes on beyond the crop or others stand beside it. */
function onlyShape(mask: Uint8Array, width: number, height: number): Shape | undefined {
  const shapes = connected(mask, width, height).filter((pixels) => pixels.length > LINE_HEIGHT);
  const [pixels] = shapes;
  if (!pixels || shapes.length > 1) return undefined;
  const xs = pixels.map((i) => i % width);
  const ys = pixels.map((i) => Math.floor(i / width));
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  if (left === 0 || top === 0 || right === width - 1 || bottom === height - 1) return undefined;
  const none = () => ({ first: Infinity, last: -1 });
  const rows = Array.from({ length: bottom - top + 1 }, none);
  const columns = Array.from({ length: right - left + 1 }, none);
  pixels.forEach((_, i) => {
    const [x, y] = [xs[i]! - left, ys[i]! - top];
    rows[y] = { first: Math.min(rows[y]!.first, x), last: Math.max(rows[y]!.last, x) };
    columns[x] = { first: Math.min(columns[x]!.first, y), last: Math.max(columns[x]!.last, y) };
  });
  return { width: columns.length, height: rows.length, rows, columns };
}

/** Pixels of each shape, joined over sides and corners. */
function connected(mask: Uint8Array, width: number, height: number): number[][] {
  const open = mask.slice();
  const shapes: number[][] = [];
  for (let start = 0; start < open.length; start++) {
    if (!open[start]) continue;
    open[start] = 0;
    const pixels = [start];
    for (const pixel of pixels) {
      const x = pixel % width;
      const y = Math.floor(pixel / width);
      for (let ny = Math.max(0, y - 1); ny <= Math.min(height - 1, y + 1); ny++) {
        for (let nx = Math.max(0, x - 1); nx <= Math.min(width - 1, x + 1); nx++) {
          const next = ny * width + nx;
          if (!open[next]) continue;
          open[next] = 0;
          pixels.push(next);
        }
      }
    }
    shapes.push(pixels);
  }
  return shapes;
}

function isUprightRectangle({ width, height, rows, columns }: Shape): boolean {
  const tall = height / LINE_HEIGHT;
  const aspect = height / width;
  if (tall < HEIGHT.from || tall > HEIGHT.to || aspect < ASPECT.from || aspect > ASPECT.to) return false;
  return reachesSides(rows, width) && reachesSides(columns, height);
}

/** Whether nearly all rows (or columns), but for those at rounded corners, go from one side to the other. */
function reachesSides(runs: readonly { first: number; last: number }[], size: number): boolean {
  const corner = Math.ceil(runs.length * CORNER);
  const straight = runs.slice(corner, runs.length - corner);
  const near = Math.max(1.5, NEAR * size);
  const reaching = straight.filter(({ first, last }) => first <= near && last >= size - 1 - near);
  return reaching.length >= STRAIGHT * straight.length;
}
