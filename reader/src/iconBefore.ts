import { distance, unitVector, type Point, type Quad } from '@dossier/core/capture';
import type { LineIcon } from '@dossier/core/reading';
import { LINE_HEIGHT } from './lineCrop';
import type { Pixels } from './pixels';
import { warpQuad } from './warp';

/** Where an icon is looked for, in line heights: before the line, and a little above and below it. */
const REACH = 2.2;
const OVERHANG = 0.3;
/** A pixel belongs to an icon when it differs from the ground by this share of what differs most, and by so many levels. */
const LEAST_SHARE = 0.4;
const LEAST_DIFFERENCE = 40;
/** Lowest and highest icon, in line heights. */
const HEIGHT = { from: 0.45, to: 1.3 } as const;
/** How high an upright telephone is for its width. */
const ASPECT = { from: 1.35, to: 2.3 } as const;
/** Share of its rows and columns that reach its sides, and how near they come, as a share of its width or height. */
const STRAIGHT = 0.9;
const NEAR = 0.08;
/** Corners of an outline count less: they are rounded. */
const CORNER = 0.15;

/** Width for height of a machine that prints, of the sheet standing out of it for its width, and of both for its height. */
const MACHINE = { from: 0.8, to: 1.6 } as const;
const SHEET_WIDTH = { from: 0.45, to: 0.88 } as const;
const SHEET_HEIGHT = { from: 0.15, to: 0.5 } as const;
const BODY_HEIGHT = 0.28;

/**
 * What an icon printed right before a line says about it: an upright rectangle, about twice as high as wide and straight
 * on all four sides, is a mobile telephone; a broad box with a narrower sheet of paper standing out of it is a fax. Others
 * (handset, envelope, globe) say nothing that the line does not.
 */
export function iconBefore(card: Pixels, line: Quad): LineIcon | undefined {
  const height = (distance(line[0], line[3]) + distance(line[1], line[2])) / 2;
  const region = regionBefore(line, height);
  if (region.some(([x, y]) => x < 0 || y < 0 || x > card.width || y > card.height)) return undefined;
  const width = Math.round(LINE_HEIGHT * REACH);
  const crop = warpQuad(card, region, width, Math.round(LINE_HEIGHT * (1 + 2 * OVERHANG)));
  const shape = onlyShape(maskOf(crop), crop.width, crop.height);
  if (!shape || shape.height < HEIGHT.from * LINE_HEIGHT || shape.height > HEIGHT.to * LINE_HEIGHT) return undefined;
  return isUprightRectangle(shape) ? 'mobile' : isBoxWithSheet(shape) ? 'fax' : undefined;
}

function regionBefore([a, b, , d]: Quad, height: number): Quad {
  const along = unitVector(a, b);
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
  const ground = [0, 1, 2].map((channel) => medianLevel(data, channel));
  const difference = new Uint8Array(count);
  let most = 0;
  for (let i = 0; i < count; i++) {
    for (let c = 0; c < 3; c++) {
      const apart = Math.abs(data[i * 3 + c]! - ground[c]!);
      if (apart > difference[i]!) difference[i] = apart;
    }
    if (difference[i]! > most) most = difference[i]!;
  }
  const least = Math.max(LEAST_DIFFERENCE, LEAST_SHARE * most);
  return difference.map((d) => (d >= least ? 1 : 0));
}

/** Middle of the sorted levels of one channel. */
function medianLevel(data: Uint8Array, channel: number): number {
  const counts = new Uint32Array(256);
  for (let i = channel; i < data.length; i += 3) counts[data[i]!]!++;
  let rest = (data.length / 3) >> 1;
  return counts.findIndex((count) => (rest -= count) < 0);
}

/** First and last pixel of a row or column. */
interface Run {
  first: number;
  last: number;
}

/** A connected shape, counted from its own corner. */
interface Shape {
  width: number;
  height: number;
  rows: Run[];
  columns: Run[];
}

/**
 * The one shape as high as an icon, of one piece or of several above each other. What goes on above or below the crop is no
 * part of it; where something goes on to its sides, or stands beside, it is no icon.
 */
function onlyShape(mask: Uint8Array, width: number, height: number): Shape | undefined {
  const columnsOf = (piece: number[]) => piece.map((i) => i % width);
  const pieces = connected(mask, width, height).filter(
    (piece) => piece.length > LINE_HEIGHT && piece.every((i) => i >= width && i < (height - 1) * width),
  );
  const spans = pieces.map(columnsOf).map((xs) => [Math.min(...xs), Math.max(...xs)] as const);
  const areStacked = Math.max(...spans.map(([from]) => from)) < Math.min(...spans.map(([, to]) => to));
  if (pieces.length === 0 || !areStacked) return undefined;
  const pixels = pieces.flat();
  const xs = pixels.map((i) => i % width);
  const ys = pixels.map((i) => Math.floor(i / width));
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  if (left === 0 || right === width - 1) return undefined;
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
  const aspect = height / width;
  if (aspect < ASPECT.from || aspect > ASPECT.to) return false;
  return reachesSides(rows, width) && reachesSides(columns, height);
}

/** From the top: rows of a sheet, of one width and straight on both sides, and then at once the body's, from side to side. */
function isBoxWithSheet({ width, height, rows }: Shape): boolean {
  if (width / height < MACHINE.from || width / height > MACHINE.to) return false;
  const near = Math.max(1.5, NEAR * width);
  if (isMirrored(rows, near)) return false;
  const isWhole = ({ first, last }: Run) => first <= near && last >= width - 1 - near;
  const top = rows.findIndex(isWhole);
  if (top < SHEET_HEIGHT.from * height || top > SHEET_HEIGHT.to * height) return false;
  const body = rows.slice(top).findIndex((row) => !isWhole(row));
  if (body >= 0 && body < BODY_HEIGHT * height) return false;
  // But for its rounded corners above and those of the body below.
  const sheet = rows.slice(Math.ceil(top * CORNER), top - Math.ceil(2 * top * CORNER)).filter((row) => row.last >= 0);
  const widths = sheet.map(({ first, last }) => (last - first + 1) / width);
  if (widths.some((share) => share < SHEET_WIDTH.from || share > SHEET_WIDTH.to)) return false;
  const spread = (ends: number[]) => Math.max(...ends) - Math.min(...ends);
  return spread(sheet.map((row) => row.first)) <= near && spread(sheet.map((row) => row.last)) <= near;
}

/** A letter O rises as a sheet does, and falls likewise. */
function isMirrored(rows: readonly Run[], near: number): boolean {
  const isLike = ({ first, last }: Run, other: Run | undefined) =>
    other !== undefined && Math.abs(first - other.first) <= near && Math.abs(last - other.last) <= near;
  const matching = rows.filter((row, i) => [-1, 0, 1].some((off) => isLike(row, rows[rows.length - 1 - i + off])));
  return matching.length >= STRAIGHT * rows.length;
}

/** Whether nearly all rows (or columns), but for those at rounded corners, go from one side to the other. */
function reachesSides(runs: readonly Run[], size: number): boolean {
  const corner = Math.ceil(runs.length * CORNER);
  const straight = runs.slice(corner, runs.length - corner);
  const near = Math.max(1.5, NEAR * size);
  const reaching = straight.filter(({ first, last }) => first <= near && last >= size - 1 - near);
  return reaching.length >= STRAIGHT * straight.length;
}
