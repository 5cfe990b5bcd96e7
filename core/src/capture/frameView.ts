import { brightnessOf, type Frame } from './framePlanes';
import { applyHomography, homographyBetween } from './homography';
import { liveOutline } from './liveOutline';
import { area, contains, type Point, type Quad } from './quad';

/** What one frame of the live picture shows, in terms of release and advice. */
export interface FrameView {
  /** The card's border as shares 0–1 of the frame's width and height. */
  outline?: Quad;
  /** Share 0–1 of the frame that the card takes up. */
  share: number;
  /** Mean brightness of the card, or of the whole frame without one, 0–1. */
  brightness: number;
  /** Share of the card that is burnt out while the rest of it is not, 0–1. */
  glare: number;
  /** Steepest changes on the card in grey levels a pixel: print in focus gives high ones. */
  sharpness: number;
  /**
   * Brightness of the places of a coarse grid over the card, or over the whole frame without one: whether something else is before the
   * camera. That of a card stays the same when the camera moves.
   */
  scene: Uint8Array;
}

const SCENE_COLUMNS = 12;
const SCENE_ROWS = 9;
const BURNT_OUT = 251;
/** Paper lighter than this all over is a white card in good light. */
const LIGHT_PAPER = 244;

/** Looks at a frame that was shrunk to `LIVE_LONG_SIDE`. */
export function viewFrame(frame: Frame): FrameView {
  const { width, height } = frame;
  const plane = brightnessOf(frame);
  const quad = liveOutline(frame)?.quad;
  const inside = quad ? insideOf(plane, width, height, quad) : measure(plane, width, height);
  const mean = inside.sum / Math.max(1, inside.count);
  return {
    outline: quad?.map(([x, y]) => [x / width, y / height] as const) as Quad | undefined,
    share: quad ? area(quad) / (width * height) : 0,
    brightness: mean / 255,
    glare: quad && mean < LIGHT_PAPER ? inside.burnt / Math.max(1, inside.count) : 0,
    sharpness: quantile(inside.changes, 0.97),
    scene: quad ? cardScene(plane, width, quad) : sceneOf(plane, width, height),
  };
}

interface Measured {
  sum: number;
  count: number;
  burnt: number;
  changes: number[];
}

function measure(plane: Uint8Array, width: number, height: number, holds?: (p: Point) => boolean): Measured {
  const found: Measured = { sum: 0, count: 0, burnt: 0, changes: [] };
  for (let y = 1; y < height - 1; y += 2) {
    for (let x = 1; x < width - 1; x += 2) {
      if (holds && !holds([x, y])) continue;
      const i = y * width + x;
      found.sum += plane[i]!;
      found.count++;
      if (plane[i]! >= BURNT_OUT) found.burnt++;
      found.changes.push(
        Math.max(Math.abs(plane[i + 1]! - plane[i - 1]!), Math.abs(plane[i + width]! - plane[i - width]!)),
      );
    }
  }
  return found;
}

/** A little inside the border, whose own edge says nothing about print. */
function insideOf(plane: Uint8Array, width: number, height: number, quad: Quad): Measured {
  const cx = quad.reduce((sum, p) => sum + p[0], 0) / 4;
  const cy = quad.reduce((sum, p) => sum + p[1], 0) / 4;
  const inner = quad.map(([x, y]): Point => [cx + (x - cx) * 0.92, cy + (y - cy) * 0.92]);
  return measure(plane, width, height, (p) => contains(inner, p));
}

function quantile(values: readonly number[], share: number): number {
  const sorted = Float32Array.from(values).sort();
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;
}

/** Samples along each side of a place of the grid. */
const SAMPLES = 3;

/** As `sceneOf`, over the card alone, its perspective taken out. */
function cardScene(plane: Uint8Array, width: number, quad: Quad): Uint8Array {
  const scene = new Uint8Array(SCENE_COLUMNS * SCENE_ROWS);
  const [right, bottom] = [SCENE_COLUMNS * SAMPLES, SCENE_ROWS * SAMPLES];
  const toFrame = homographyBetween([[0, 0], [right, 0], [right, bottom], [0, bottom]], quad); // prettier-ignore
  const height = plane.length / width;
  for (let place = 0; place < scene.length; place++) {
    const [row, column] = [Math.floor(place / SCENE_COLUMNS), place % SCENE_COLUMNS];
    let sum = 0;
    for (let i = 0; i < SAMPLES * SAMPLES; i++) {
      const at: Point = [column * SAMPLES + (i % SAMPLES) + 0.5, row * SAMPLES + Math.floor(i / SAMPLES) + 0.5];
      const [x, y] = applyHomography(toFrame, at);
      sum += plane[clampTo(y, height) * width + clampTo(x, width)]!;
    }
    scene[place] = sum / (SAMPLES * SAMPLES);
  }
  return scene;
}

const clampTo = (value: number, size: number): number => Math.max(0, Math.min(size - 1, Math.floor(value)));

function sceneOf(plane: Uint8Array, width: number, height: number): Uint8Array {
  const scene = new Uint8Array(SCENE_COLUMNS * SCENE_ROWS);
  for (let row = 0; row < SCENE_ROWS; row++) {
    for (let column = 0; column < SCENE_COLUMNS; column++) {
      const [left, right] = [column, column + 1].map((c) => Math.floor((c * width) / SCENE_COLUMNS)) as [
        number,
        number,
      ];
      const [top, bottom] = [row, row + 1].map((r) => Math.floor((r * height) / SCENE_ROWS)) as [number, number];
      let sum = 0;
      for (let y = top; y < bottom; y++) for (let x = left; x < right; x++) sum += plane[y * width + x]!;
      scene[row * SCENE_COLUMNS + column] = sum / Math.max(1, (right - left) * (bottom - top));
    }
  }
  return scene;
}

/** Mean difference of two scenes in grey levels; more or less light on all of it is none. */
export function sceneChange(a: Uint8Array, b: Uint8Array): number {
  const n = Math.max(1, a.length);
  const lighter = a.reduce((sum, value, i) => sum + value - b[i]!, 0) / n;
  return a.reduce((sum, value, i) => sum + Math.abs(value - b[i]! - lighter), 0) / n;
}
