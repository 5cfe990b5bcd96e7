import { homographyBetween, rectangle, type Quad, type QuarterTurns } from '@dossier/core/capture';
import { emptyPixels, type Pixels } from './pixels';

/**
 * Takes the content of `quad` out of a picture into an upright width × height picture, bilinear;
 * outside the picture the nearest edge pixel is repeated.
 */
export function warpQuad(source: Pixels, quad: Quad, width: number, height: number): Pixels {
  const h = homographyBetween(rectangle(0, 0, width, height), quad);
  const out = emptyPixels(width, height);
  const { data, width: sw, height: sh } = source;
  const maxX = sw - 1;
  const maxY = sh - 1;
  let o = 0;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const cx = x + 0.5;
      const cy = y + 0.5;
      const w = h[6] * cx + h[7] * cy + 1;
      const sx = Math.min(maxX, Math.max(0, (h[0] * cx + h[1] * cy + h[2]) / w - 0.5));
      const sy = Math.min(maxY, Math.max(0, (h[3] * cx + h[4] * cy + h[5]) / w - 0.5));
      const x0 = sx | 0;
      const y0 = sy | 0;
      const fx = sx - x0;
      const fy = sy - y0;
      const a = (y0 * sw + x0) * 3;
      const b = x0 < maxX ? a + 3 : a;
      const c = y0 < maxY ? a + sw * 3 : a;
      const d = c + (b - a);
      for (let k = 0; k < 3; k++) {
        const top = data[a + k]! + (data[b + k]! - data[a + k]!) * fx;
        const bottom = data[c + k]! + (data[d + k]! - data[c + k]!) * fx;
        out.data[o++] = top + (bottom - top) * fy + 0.5;
      }
    }
  }
  return out;
}

/** Turns a picture clockwise by quarters. */
export function turnPixels(pixels: Pixels, turns: QuarterTurns): Pixels {
  if (turns === 0) return pixels;
  const { width: w, height: h, data } = pixels;
  const out = turns === 2 ? emptyPixels(w, h) : emptyPixels(h, w);
  for (let y = 0; y < h; y++) {
    for (let x = 0; x < w; x++) {
      const [tx, ty] = turns === 1 ? [h - 1 - y, x] : turns === 2 ? [w - 1 - x, h - 1 - y] : [y, w - 1 - x];
      const from = (y * w + x) * 3;
      const to = (ty * out.width + tx) * 3;
      out.data[to] = data[from]!;
      out.data[to + 1] = data[from + 1]!;
      out.data[to + 2] = data[from + 2]!;
    }
  }
  return out;
}
