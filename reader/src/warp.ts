import { homographyBetween, rectangle, type Quad, type QuarterTurns } from '@dossier/core/capture';
import { emptyPixels, type Pixels } from './pixels';

/**
 * Takes the content of `quad` out of a picture into an upright width × height picture, bilinear;
 * outside the picture the nearest edge pixel is repeated.
 */
export function warpQuad(source: Pixels, quad: Quad, width: number, height: number): Pixels {
  const [h0, h1, h2, h3, h4, h5, h6, h7] = homographyBetween(rectangle(0, 0, width, height), quad);
  const picture = emptyPixels(width, height);
  const out = picture.data;
  const { data, width: sw, height: sh } = source;
  const maxX = sw - 1;
  const maxY = sh - 1;
  let o = 0;
  for (let y = 0; y < height; y++) {
    const cy = y + 0.5;
    const rowX = h1 * cy + h2;
    const rowY = h4 * cy + h5;
    const rowW = h7 * cy + 1;
    for (let x = 0; x < width; x++, o += 3) {
      const cx = x + 0.5;
      const w = 1 / (h6 * cx + rowW);
      let sx = (h0 * cx + rowX) * w - 0.5;
      let sy = (h3 * cx + rowY) * w - 0.5;
      // Comparisons: several times as fast here as Math.min and Math.max.
      if (sx < 0) sx = 0;
      else if (sx > maxX) sx = maxX;
      if (sy < 0) sy = 0;
      else if (sy > maxY) sy = maxY;
      const x0 = sx | 0;
      const y0 = sy | 0;
      const fx = sx - x0;
      const fy = sy - y0;
      const a = (y0 * sw + x0) * 3;
      const b = x0 < maxX ? a + 3 : a;
      const c = y0 < maxY ? a + sw * 3 : a;
      const d = c + (b - a);
      const wd = fx * fy;
      const wc = fy - wd;
      const wb = fx - wd;
      const wa = 1 - fx - wc;
      out[o] = data[a]! * wa + data[b]! * wb + data[c]! * wc + data[d]! * wd + 0.5;
      out[o + 1] = data[a + 1]! * wa + data[b + 1]! * wb + data[c + 1]! * wc + data[d + 1]! * wd + 0.5;
      out[o + 2] = data[a + 2]! * wa + data[b + 2]! * wb + data[c + 2]! * wc + data[d + 2]! * wd + 0.5;
    }
  }
  return picture;
}

/** Turns a picture clockwise by quarters. */
export function turnPixels(pixels: Pixels, turns: QuarterTurns): Pixels {
  if (turns === 0) return pixels;
  const { width: w, height: h, data } = pixels;
  const out = turns === 2 ? emptyPixels(w, h) : emptyPixels(h, w);
  // Where the first pixel goes, and how far on the next ones of its row and of its column go.
  const { width } = out;
  const first = turns === 1 ? h - 1 : turns === 2 ? w * h - 1 : (w - 1) * width;
  const alongRow = turns === 1 ? width : turns === 2 ? -1 : -width;
  const downColumn = turns === 1 ? -1 : turns === 2 ? -w : 1;
  let from = 0;
  for (let y = 0; y < h; y++) {
    let to = (first + y * downColumn) * 3;
    for (let x = 0; x < w; x++, from += 3, to += alongRow * 3) {
      out.data[to] = data[from]!;
      out.data[to + 1] = data[from + 1]!;
      out.data[to + 2] = data[from + 2]!;
    }
  }
  return out;
}
