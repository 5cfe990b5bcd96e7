import type { Point, Quad } from '../capture/quad';
import type { Reading } from '../reading/fields';
import type { Area } from './sourceArea';

/** Red, green and blue of each pixel, 8 bits a channel. */
export interface SmallPicture {
  data: Uint8Array;
  width: number;
  height: number;
}

/** So far from the ground's colour in one channel is print: beyond the grain of paper and what JPEG leaves. */
const PRINT = 34;
/** A mark is often taken for a letter or two. */
const SHORTEST_TEXT = 3;
/** Room around text that belongs to it, as a share of the line's height. */
const TEXT_MARGIN = 0.35;
/** Parts of a mark are no further apart, as a share of the card's longer side. */
const GAP = 0.013;
/** What comes so near to the border is a band, a picture that runs off the card, a finger or the table. */
const BORDER = 0.012;
/** Sizes of a mark, as shares of the card's longer side. */
const SMALLEST = 0.045;
const LARGEST = 0.42;
/** A mark is that long for its width at most. */
const LONGEST = 4;
/** So much of its place is print. */
const FILLED = 0.14;
/** A place as large as this that is all print is a photograph of somebody. */
const PHOTOGRAPH = 0.19;
const PHOTOGRAPH_FILLED = 0.85;
/** A code that could not be read changes more often between print and ground, both across and down. */
const MOST_CHANGES = 6;
/** Print ends within a pixel or two; shade, glare and stains fade. */
const SHARP = 0.45;

/**
 * The place of a mark on a card: the largest piece of print that is neither text nor code, stands free of the border and has clear edges.
 * @param picture the card in small, some 300 pixels long
 * @returns in pixels of the reading; undefined when there is none
 */
export function logoArea(
  picture: SmallPicture,
  reading: Pick<Reading, 'width' | 'height' | 'lines' | 'codes'>,
): Area | undefined {
  const { width, height } = picture;
  const strength = printStrength(picture);
  const toSmall = width / reading.width;
  const text = reading.lines.filter((line) => line.text.trim().length >= SHORTEST_TEXT);
  const isText = covered(picture, [...text, ...(reading.codes ?? [])], toSmall);
  const ink = Uint8Array.from(strength, (value, i) => (value > PRINT && !isText[i] ? 1 : 0));
  const long = Math.max(width, height);
  const border = Math.ceil(BORDER * long);
  const marks = pieces(ink, width, height, Math.max(1, Math.round((GAP * long) / 2))).filter((piece) => {
    const { left, top, right, bottom, pixels } = piece;
    const [w, h] = [right - left + 1, bottom - top + 1];
    const [shorter, longer] = [Math.min(w, h), Math.max(w, h)];
    const filled = pixels.length / (w * h);
    const isFree = left >= border && top >= border && right < width - border && bottom < height - border;
    if (!isFree || shorter < SMALLEST * long || longer > LARGEST * long || longer > LONGEST * shorter) return false;
    if (filled < FILLED || (filled > PHOTOGRAPH_FILLED && longer > PHOTOGRAPH * long)) return false;
    return changes(ink, width, piece) <= MOST_CHANGES && sharpness(pixels, strength, width) >= SHARP;
  });
  const [largest] = marks.sort((a, b) => b.pixels.length - a.pixels.length);
  if (!largest) return undefined;
  const margin = 2;
  const [left, top] = [Math.max(0, largest.left - margin), Math.max(0, largest.top - margin)];
  return {
    left: left / toSmall,
    top: top / toSmall,
    width: (Math.min(width, largest.right + 1 + margin) - left) / toSmall,
    height: (Math.min(height, largest.bottom + 1 + margin) - top) / toSmall,
  };
}

/** How far each pixel is from the ground, whose shade may go evenly across the card: the largest difference of a channel. */
function printStrength({ data, width, height }: SmallPicture): Uint8Array {
  const ground = groundColour(data);
  let planes = ground.map((value) => [value, 0, 0] as Plane);
  for (const near of [60, 36, 28]) planes = fitPlanes({ data, width, height }, planes, near);
  const out = new Uint8Array(width * height);
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) out[i] = Math.min(255, distance(data, i, planes, x / width - 0.5, y / height - 0.5)); // prettier-ignore
  return out;
}

/** Value in the middle of the card, and how much more there is at its right and lower border than at the others. */
type Plane = readonly [middle: number, across: number, down: number];

const distance = (data: Uint8Array, i: number, planes: readonly Plane[], x: number, y: number): number => {
  let most = 0;
  for (let c = 0; c < 3; c++) {
    const [middle, across, down] = planes[c]!;
    const off = Math.abs(data[3 * i + c]! - middle - across * x - down * y);
    if (off > most) most = off;
  }
  return most;
};

/** The most frequent colour, in steps of sixteen. */
function groundColour(data: Uint8Array): number[] {
  const counts = new Uint32Array(4096);
  const keyAt = (i: number) => ((data[i]! >> 4) << 8) | ((data[i + 1]! >> 4) << 4) | (data[i + 2]! >> 4);
  for (let i = 0; i < data.length; i += 3) counts[keyAt(i)]!++;
  const most = counts.indexOf(Math.max(...counts));
  return [most >> 8, (most >> 4) & 15, most & 15].map((step) => 16 * step + 8);
}

/** Least squares over the pixels that are near the planes there are. */
function fitPlanes({ data, width, height }: SmallPicture, planes: readonly Plane[], near: number): Plane[] {
  let [n, sx, sy, sxx, sxy, syy] = [0, 0, 0, 0, 0, 0];
  const [s, sxv, syv] = [
    [0, 0, 0],
    [0, 0, 0],
    [0, 0, 0],
  ] as [number[], number[], number[]];
  for (let row = 0; row < height; row += 2)
    for (let column = 0; column < width; column += 2) {
      const i = row * width + column;
      const [x, y] = [column / width - 0.5, row / height - 0.5];
      if (distance(data, i, planes, x, y) > near) continue;
      n++;
      sx += x;
      sy += y;
      sxx += x * x;
      sxy += x * y;
      syy += y * y;
      for (let c = 0; c < 3; c++) {
        const value = data[3 * i + c]!;
        s[c]! += value;
        sxv[c]! += x * value;
        syv[c]! += y * value;
      }
    }
  const [cxx, cxy, cyy] = [sxx - (sx * sx) / n, sxy - (sx * sy) / n, syy - (sy * sy) / n];
  const determinant = cxx * cyy - cxy * cxy;
  // Too little to go by, or all of it on a line.
  if (n < 50 || determinant < 1e-6 * n * n) return [...planes];
  return planes.map((_, c) => {
    const [cxv, cyv] = [sxv[c]! - (sx * s[c]!) / n, syv[c]! - (sy * s[c]!) / n];
    const across = (cxv * cyy - cyv * cxy) / determinant;
    const down = (cyv * cxx - cxv * cxy) / determinant;
    return [(s[c]! - across * sx - down * sy) / n, across, down];
  });
}

/** Pixels on which text or a code stands. */
function covered({ width, height }: SmallPicture, places: readonly { quad: Quad }[], toSmall: number): Uint8Array {
  const mask = new Uint8Array(width * height);
  for (const { quad } of places) {
    const corners = quad.map(([x, y]): Point => [x * toSmall, y * toSmall]);
    const [a, b, , d] = corners as [Point, Point, Point, Point];
    const [along, down] = [Math.hypot(b[0] - a[0], b[1] - a[1]) || 1, Math.hypot(d[0] - a[0], d[1] - a[1]) || 1];
    const margin = 1 + TEXT_MARGIN * down;
    const [ux, uy, vx, vy] = [(b[0] - a[0]) / along, (b[1] - a[1]) / along, (d[0] - a[0]) / down, (d[1] - a[1]) / down];
    const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)];
    for (
      let y = Math.max(0, Math.floor(Math.min(...ys) - margin));
      y <= Math.min(height - 1, Math.max(...ys) + margin);
      y++
    )
      for (
        let x = Math.max(0, Math.floor(Math.min(...xs) - margin));
        x <= Math.min(width - 1, Math.max(...xs) + margin);
        x++
      ) {
        const [u, v] = [(x - a[0]) * ux + (y - a[1]) * uy, (x - a[0]) * vx + (y - a[1]) * vy];
        if (u >= -margin && u <= along + margin && v >= -margin && v <= down + margin) mask[y * width + x] = 1;
      }
  }
  return mask;
}

interface Piece {
  left: number;
  top: number;
  right: number;
  bottom: number;
  pixels: number[];
}

/** Print that hangs together, over gaps as well. @param reach half of the widest gap, in pixels */
function pieces(ink: Uint8Array, width: number, height: number, reach: number): Piece[] {
  const open = spread(spread(ink, width, 1, reach), width, width, reach);
  const found: Piece[] = [];
  for (let start = 0; start < ink.length; start++) {
    if (!open[start]) continue;
    const piece: Piece = { left: width, top: height, right: 0, bottom: 0, pixels: [] };
    const next = [start];
    open[start] = 0;
    for (let i = next.pop(); i !== undefined; i = next.pop()) {
      const [x, y] = [i % width, Math.floor(i / width)];
      if (ink[i]) {
        piece.pixels.push(i);
        piece.left = Math.min(piece.left, x);
        piece.right = Math.max(piece.right, x);
        piece.top = Math.min(piece.top, y);
        piece.bottom = Math.max(piece.bottom, y);
      }
      for (const to of [x > 0 ? i - 1 : i, x < width - 1 ? i + 1 : i, i - width, i + width])
        if (open[to]) {
          open[to] = 0;
          next.push(to);
        }
    }
    found.push(piece);
  }
  return found;
}

/** What is set, and what is so near to it in one direction. @param step from one pixel to the next in that direction */
function spread(mask: Uint8Array, width: number, step: number, reach: number): Uint8Array {
  const out = new Uint8Array(mask.length);
  for (let i = 0; i < mask.length; i++) {
    if (!mask[i]) continue;
    const row = Math.floor(i / width);
    for (let k = -reach; k <= reach; k++) {
      const to = i + k * step;
      if (to >= 0 && to < mask.length && (step > 1 || Math.floor(to / width) === row)) out[to] = 1;
    }
  }
  return out;
}

/** How often print begins or ends along the rows or the columns of a place, on average and where it is less often. */
function changes(ink: Uint8Array, width: number, { left, top, right, bottom }: Piece): number {
  let [across, down] = [0, 0];
  for (let y = top; y <= bottom; y++)
    for (let x = left; x <= right; x++) {
      const i = y * width + x;
      if (x < right && ink[i] !== ink[i + 1]) across++;
      if (y < bottom && ink[i] !== ink[i + width]) down++;
    }
  return Math.min(across / (bottom - top + 1), down / (right - left + 1));
}

/** How much of the strength of a piece comes within two pixels of its edge, seen along its rows: 0 fading, 1 cut out. */
function sharpness(pixels: readonly number[], strength: Uint8Array, width: number): number {
  const own = new Set(pixels);
  const middle = pixels.map((i) => strength[i]!).sort((a, b) => a - b)[pixels.length >> 1]!;
  let [edges, sharp] = [0, 0];
  for (const i of pixels)
    for (const step of [-1, 1, -width, width]) {
      if (own.has(i + step)) continue;
      edges++;
      if (Math.max(strength[i]!, strength[i - step] ?? 0) - (strength[i + 2 * step] ?? 0) > 0.5 * middle) sharp++;
    }
  return edges > 0 ? sharp / edges : 0;
}
