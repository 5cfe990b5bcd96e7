import { orderCorners, scaleQuad, type Point, type Quad } from '@dossier/core/capture';
import type { Models } from './models';
import { openCv, withMats } from './openCv';
import type { Pixels } from './pixels';
import { resizePixels } from './resizePixels';
import { toBgrTensor } from './tensor';

/** A line of text found in a picture. */
export interface TextBox {
  /** Outline in pixels of the picture that was searched. */
  quad: Quad;
  /** Mean text probability inside the box, 0–1. */
  score: number;
}

const MEAN = [0.485, 0.456, 0.406] as const;
const DEVIATION = [0.229, 0.224, 0.225] as const;
const PIXEL_THRESHOLD = 0.3;
const BOX_THRESHOLD = 0.6;
/** How far a shrunken text kernel is grown back (Liao et al. 2020, "unclip ratio"). */
const UNCLIP_RATIO = 1.7;
const SHORTEST_SIDE = 3;

/**
 * Finds lines of text by differentiable binarisation.
 * @param longSide the picture is searched at this long side in pixels, never enlarged beyond 1.5×
 */
export async function detectText(models: Models, picture: Pixels, longSide = 832): Promise<TextBox[]> {
  const longest = Math.max(picture.width, picture.height);
  const scale = Math.min(longSide / longest, 1.5);
  const to32 = (v: number) => Math.max(32, Math.round((v * scale) / 32) * 32);
  const width = to32(picture.width);
  const height = to32(picture.height);
  const small = await resizePixels(picture, width, height);
  const input = toBgrTensor(small, MEAN, DEVIATION);
  const output = await models.detection.run({ [models.detection.inputNames[0]!]: input });
  const map = output[models.detection.outputNames[0]!]!;
  const probabilities = map.data as Float32Array;
  const boxes = await boxesOf(probabilities, width, height);
  return boxes.map((box) => ({
    score: box.score,
    quad: scaleQuad(box.quad, picture.width / width, picture.height / height),
  }));
}

async function boxesOf(probabilities: Float32Array, width: number, height: number): Promise<TextBox[]> {
  const { cv } = await openCv();
  return withMats((keep) => {
    const mask = keep(new cv.Mat(height, width, cv.CV_8UC1));
    markText(probabilities, mask.data);
    const contours = keep(new cv.MatVector());
    const hierarchy = keep(new cv.Mat());
    cv.findContours(mask, contours, hierarchy, cv.RETR_LIST, cv.CHAIN_APPROX_SIMPLE);
    const boxes: TextBox[] = [];
    for (let i = 0; i < contours.size(); i++) {
      const contour = contours.get(i);
      const rect = cv.minAreaRect(contour);
      contour.delete();
      if (Math.min(rect.size.width, rect.size.height) < SHORTEST_SIDE) continue;
      const corners = cv.RotatedRect.points(rect).map(({ x, y }: { x: number; y: number }): Point => [x, y]);
      const quad = orderCorners(corners);
      const score = meanInside(probabilities, width, height, quad);
      if (score < BOX_THRESHOLD) continue;
      boxes.push({ quad: grow(quad, rect.size.width, rect.size.height), score });
    }
    return boxes;
  });
}

/** A function of its own, so that it is compiled while it runs over a million pixels. */
function markText(probabilities: Float32Array, marks: Uint8Array): void {
  for (let i = 0; i < marks.length; i++) marks[i] = probabilities[i]! > PIXEL_THRESHOLD ? 255 : 0;
}

/** Mean probability over the pixels of a convex quad. */
function meanInside(map: Float32Array, width: number, height: number, quad: Quad): number {
  const ys = quad.map((p) => p[1]);
  const top = Math.max(0, Math.floor(Math.min(...ys)));
  const bottom = Math.min(height - 1, Math.ceil(Math.max(...ys)));
  let sum = 0;
  let count = 0;
  for (let y = top; y <= bottom; y++) {
    let from = Infinity;
    let to = -Infinity;
    for (let i = 0; i < 4; i++) {
      const [ax, ay] = quad[i]!;
      const [bx, by] = quad[(i + 1) % 4]!;
      if (y < Math.min(ay, by) || y > Math.max(ay, by)) continue;
      const xs = ay === by ? [ax, bx] : [ax + ((bx - ax) * (y - ay)) / (by - ay)];
      from = Math.min(from, ...xs);
      to = Math.max(to, ...xs);
    }
    for (let x = Math.max(0, Math.round(from)); x <= Math.min(width - 1, Math.round(to)); x++) {
      sum += map[y * width + x]!;
      count++;
    }
  }
  return count ? sum / count : 0;
}

/** Moves every side outward by area · ratio / perimeter. */
function grow(quad: Quad, width: number, height: number): Quad {
  const by = (width * height * UNCLIP_RATIO) / (2 * (width + height));
  const [a, b, , d] = quad;
  const unit = (p: Point, q: Point): Point => {
    const length = Math.hypot(q[0] - p[0], q[1] - p[1]) || 1;
    return [((q[0] - p[0]) / length) * by, ((q[1] - p[1]) / length) * by];
  };
  const [rx, ry] = unit(a, b);
  const [dx, dy] = unit(a, d);
  const signs = [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ] as const;
  return quad.map(([x, y], i) => [
    x + signs[i]![0] * rx + signs[i]![1] * dx,
    y + signs[i]![0] * ry + signs[i]![1] * dy,
  ]) as unknown as Quad;
}
