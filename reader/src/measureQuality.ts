import { area, centre, distance, type PictureQuality, type Quad } from '@dossier/core/capture';
import type { Pixels } from './pixels';

/** Brighter than this in all of a pixel's surroundings is burnt out. */
const BURNT_OUT = 250;
/** Print with less contrast than this, in grey levels, has no measurable edges. */
const FAINT = 12;
/** Text is looked at along this many rows of a line's crop. */
const ROWS = 5;

/**
 * Measures how well a card can be read in its picture.
 * @param card rectified and upright
 * @param lines outlines of its text lines, in pixels of `card`
 * @param photo the photograph it comes from, with the card's outline there
 */
export function measureQuality(
  card: Pixels,
  lines: readonly Quad[],
  photo: { pixels: Pixels; quad: Quad },
): PictureQuality {
  const natural = Math.sqrt(area(photo.quad) / Math.max(1, card.width * card.height));
  const heights = lines.map((q) => (distance(q[0], q[3]) + distance(q[1], q[2])) / 2);
  const measured = lines.map((quad) => measureLine(card, quad)).filter((line) => line !== undefined);
  return {
    // The detector's outline is about half as high again as the text in it.
    smallestText: heights.length > 0 ? round((quantile(heights, 0.1) * natural) / 1.5) : 0,
    blur: round(
      quantile(
        measured.flatMap((m) => m.blur ?? []),
        0.5,
      ),
    ),
    softness: round(
      quantile(
        measured.flatMap((m) => (m.blur === undefined ? [] : Math.max(m.blur, m.across ?? 0))),
        0.5,
      ),
    ),
    highlight: round(
      quantile(
        measured.map((m) => m.lightest),
        0.5,
      ) / 255,
    ),
    glare: round(glareOver(card, lines)),
    exposure: round(meanBrightness(card) / 255),
    textContrast: round(
      quantile(
        measured.map((m) => m.contrast),
        0.1,
      ) / 255,
    ),
    groundContrast: round(groundContrast(photo.pixels, photo.quad) / 255),
  };
}

const round = (value: number): number => Math.round(value * 1000) / 1000;

/** Of numbers in any order; typed arrays are sorted many times as fast as lists. */
function quantile(values: ArrayLike<number>, share: number): number {
  const sorted = Float32Array.from(values).sort();
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;
}

/**
 * Contrast and blur of a line: its brightness along rows through the middle, the span between its
 * dark and light ends, and that span over the steepest change, which is how wide an edge is.
 */
function measureLine(
  card: Pixels,
  quad: Quad,
): { contrast: number; lightest: number; blur?: number; across?: number } | undefined {
  const height = (distance(quad[0], quad[3]) + distance(quad[1], quad[2])) / 2;
  const width = distance(quad[0], quad[1]);
  if (height < 4 || width < height) return undefined;
  const steps = Math.floor(width);
  const profiles = new Float32Array(ROWS * steps);
  const changes = new Float32Array(ROWS * (steps - 1));
  for (let row = 0, p = 0, c = 0; row < ROWS; row++) {
    const down = 0.32 + (0.36 * row) / (ROWS - 1);
    for (let step = 0; step < steps; step++, p++) {
      profiles[p] = brightnessAt(card, pointIn(quad, step / steps, down));
      if (step > 0) changes[c++] = Math.abs(profiles[p]! - profiles[p - 1]!);
    }
  }
  const lightest = quantile(profiles, 0.97);
  const contrast = lightest - quantile(profiles, 0.03);
  const steepest = quantile(changes, 0.98);
  // Where hardly anything is to be seen there is no edge whose width could be told.
  if (contrast < FAINT) return { contrast, lightest };
  const widthOf = (change: number) => contrast / Math.max(1, change) / (height / 1.5);
  return { contrast, lightest, blur: widthOf(steepest), across: widthOf(steepestAcross(card, quad, width, height)) };
}

/** Columns looked at along a line. */
const COLUMNS = 60;

/** The steepest change from the upper to the lower side of a line: shake along it leaves these edges, shake across it the others. */
function steepestAcross(card: Pixels, quad: Quad, width: number, height: number): number {
  const columns = Math.min(COLUMNS, Math.floor(width));
  const steps = Math.max(2, Math.floor(height));
  const changes = new Float32Array(columns * (steps - 1));
  for (let column = 0, c = 0; column < columns; column++) {
    let before = brightnessAt(card, pointIn(quad, (column + 0.5) / columns, 0));
    for (let step = 1; step < steps; step++, c++) {
      const now = brightnessAt(card, pointIn(quad, (column + 0.5) / columns, step / (steps - 1)));
      changes[c] = Math.abs(now - before);
      before = now;
    }
  }
  return quantile(changes, 0.98);
}

function pointIn(quad: Quad, across: number, down: number): readonly [number, number] {
  const [a, b, c, d] = quad;
  const [left, right] = [1 - across, across];
  return [
    (a[0] * left + b[0] * right) * (1 - down) + (d[0] * left + c[0] * right) * down,
    (a[1] * left + b[1] * right) * (1 - down) + (d[1] * left + c[1] * right) * down,
  ];
}

function brightnessAt({ data, width, height }: Pixels, [x, y]: readonly [number, number]): number {
  const column = Math.min(width - 1, Math.max(0, Math.round(x)));
  const row = Math.min(height - 1, Math.max(0, Math.round(y)));
  const at = (row * width + column) * 3;
  return 0.3 * data[at]! + 0.59 * data[at + 1]! + 0.11 * data[at + 2]!;
}

/** Brightness of every `step`-th pixel. */
function meanBrightness(card: Pixels, step = 7): number {
  let sum = 0;
  let count = 0;
  for (let y = 0; y < card.height; y += step) {
    for (let x = 0; x < card.width; x += step, count++) sum += brightnessAt(card, [x, y]);
  }
  return count > 0 ? sum / count : 0;
}

/**
 * Share of the text's area that is burnt out while the card's paper elsewhere is not: a white card
 * in good light is no glare.
 */
function glareOver(card: Pixels, lines: readonly Quad[]): number {
  const samples: number[] = [];
  for (let y = 0; y < card.height; y += 11) {
    for (let x = 0; x < card.width; x += 11) samples.push(brightnessAt(card, [x, y]));
  }
  if (quantile(samples, 0.6) >= BURNT_OUT) return 0;
  let burnt = 0;
  let count = 0;
  for (const quad of lines) {
    for (let across = 0.02; across < 1; across += 0.04) {
      for (const down of [0.3, 0.5, 0.7]) {
        count++;
        if (brightnessAt(card, pointIn(quad, across, down)) >= BURNT_OUT) burnt++;
      }
    }
  }
  return count > 0 ? burnt / count : 0;
}

/** Mean difference of brightness between just inside and just outside the card's sides. */
function groundContrast(photo: Pixels, quad: Quad): number {
  const middle = centre(quad);
  const differences: number[] = [];
  quad.forEach((corner, i) => {
    const next = quad[(i + 1) % 4]!;
    for (let t = 0.1; t <= 0.9; t += 0.05) {
      const edge = [corner[0] + (next[0] - corner[0]) * t, corner[1] + (next[1] - corner[1]) * t] as const;
      const beside = (share: number) =>
        [edge[0] + (edge[0] - middle[0]) * share, edge[1] + (edge[1] - middle[1]) * share] as const;
      const outside = beside(0.04);
      const inPicture = outside[0] >= 0 && outside[1] >= 0 && outside[0] < photo.width && outside[1] < photo.height;
      if (inPicture) differences.push(Math.abs(brightnessAt(photo, beside(-0.04)) - brightnessAt(photo, outside)));
    }
  });
  return differences.length > 0 ? quantile(differences, 0.5) : 255;
}
