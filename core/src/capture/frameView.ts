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
  /**
   * Brightness 0–1 of the lightest in the middle one of the places with something on them, on the card or in the whole frame without one:
   * paper or print. The mean called dark cards too dark.
   */
  light: number;
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
/** Side in pixels of the places whose lightest is taken, and how much lighter that is there than the darkest: less is bare ground. */
const PLACE = 16;
const SOMETHING_ON_IT = 30;
/** So many of them tell how light a picture is. */
const ENOUGH_PLACES = 4;

/** Looks at a frame that was shrunk to `LIVE_LONG_SIDE`. */
export function viewFrame(frame: Frame): FrameView {
  const { width, height } = frame;
  const plane = brightnessOf(frame);
  const quad = liveOutline(frame)?.quad;
  const inner = quad && innerOf(quad);
  const isInside = (p: Point): boolean => !inner || contains(inner, p);
  return {
    outline: quad?.map(([x, y]) => [x / width, y / height] as const) as Quad | undefined,
    share: quad ? area(quad) / (width * height) : 0,
    light: lightOf(plane, width, height, isInside) / 255,
    sharpness: quantile(changesIn(plane, width, height, isInside), 0.97),
    scene: quad ? cardScene(plane, width, quad) : sceneOf(plane, width, height),
  };
}

/** A little inside the border, whose own edge says nothing about print. */
function innerOf(quad: Quad): Point[] {
  const cx = quad.reduce((sum, p) => sum + p[0], 0) / 4;
  const cy = quad.reduce((sum, p) => sum + p[1], 0) / 4;
  return quad.map(([x, y]): Point => [cx + (x - cx) * 0.92, cy + (y - cy) * 0.92]);
}

/** Change of brightness over two pixels, in grey levels. */
function changesIn(plane: Uint8Array, width: number, height: number, isInside: (p: Point) => boolean): number[] {
  const changes: number[] = [];
  for (let y = 1; y < height - 1; y += 2) {
    for (let x = 1; x < width - 1; x += 2) {
      if (!isInside([x, y])) continue;
      const i = y * width + x;
      changes.push(Math.max(Math.abs(plane[i + 1]! - plane[i - 1]!), Math.abs(plane[i + width]! - plane[i - width]!)));
    }
  }
  return changes;
}

/**
 * The lightest in the middle one of the places with something on them, 0–255. Bare ground, where there are too few of them, is taken to be
 * half as light as paper would be on it.
 */
function lightOf(plane: Uint8Array, width: number, height: number, isInside: (p: Point) => boolean): number {
  const lightest: number[] = [];
  for (let top = 0; top + PLACE <= height; top += PLACE) {
    for (let left = 0; left + PLACE <= width; left += PLACE) {
      if (!isInside([left + PLACE / 2, top + PLACE / 2])) continue;
      const [min, max] = rangeIn(plane, width, left, top);
      if (max - min > SOMETHING_ON_IT) lightest.push(max);
    }
  }
  return lightest.length < ENOUGH_PLACES ? Math.min(255, 2 * quantile(plane, 0.995)) : quantile(lightest, 0.5);
}

function rangeIn(plane: Uint8Array, width: number, left: number, top: number): [min: number, max: number] {
  let [min, max] = [255, 0];
  for (let y = top; y < top + PLACE; y++) {
    for (let x = left; x < left + PLACE; x++) {
      const value = plane[y * width + x]!;
      if (value < min) min = value;
      if (value > max) max = value;
    }
  }
  return [min, max];
}

function quantile(values: ArrayLike<number>, share: number): number {
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
