import type { Point } from '@dossier/core/capture';
import type { LabPlanes } from './labPlanes';

/** Width in pixels of the strips that are compared on both sides of a line. */
const STRIP = 4;
/** Strips begin this far from the line, so that a soft edge does not count on both sides. */
const GAP = 1;
const SECTIONS = 4;
/** One section's change counts up to this many grey levels, so that it does not stand for its neighbours. */
const MOST_A_SECTION = 24;
/** A change of so many grey levels without any grain is beyond doubt. */
const SURE = 3.2;
/** A thin line counts a little less than a change of colour. */
const RIDGE = 0.8;
/** Three channels of the change across a place on a ray, and three of the line that may lie there. */
const VALUES = 6;

/**
 * Colours across a fan of parallel rays, and how they change along each: the difference between the
 * two sides of a line through the rays. A straight edge adds up along the line; the grain of a table
 * does not, however strong it is.
 */
export class RayFan {
  readonly rays: number;
  readonly length: number;
  /** For each ray and place: change and ridge in Lab; NaN where the strips leave the picture. */
  private readonly changes: Float32Array;
  private readonly ends: number[] = [];

  /**
   * @param feet where the rays begin
   * @param direction unit vector they run along
   * @param length in pixels
   */
  constructor(lab: LabPlanes, feet: readonly Point[], direction: Point, length: number) {
    this.rays = feet.length;
    this.length = length;
    this.changes = new Float32Array(this.rays * length * VALUES).fill(NaN);
    const sums = [0, 1, 2].map(() => new Float32Array(length + 1));
    for (let ray = 0; ray < this.rays; ray++) {
      const [from, to] = this.sumAlong(lab, feet[ray]!, direction, sums);
      this.ends.push(to);
      for (let c = 0; c < 3; c++) this.changeOnRay(ray * length * VALUES + c, sums[c]!, from, to);
    }
  }

  /** What changes in one channel along a ray, from its running sums; `first` is the index of the ray's first value. */
  private changeOnRay(first: number, sum: Float32Array, from: number, to: number): void {
    const { changes } = this;
    const reach = GAP + STRIP;
    for (let at = from + reach; at < to - reach; at++) {
      const inner = (sum[at - GAP]! - sum[at - reach]!) / STRIP;
      const outer = (sum[at + reach + 1]! - sum[at + GAP + 1]!) / STRIP;
      const out = first + at * VALUES;
      changes[out] = outer - inner;
      changes[out + 3] = (sum[at + 2]! - sum[at - 1]!) / 3 - (inner + outer) / 2;
    }
  }

  /** How far along a ray the picture ends; the ray's length where it does not. */
  endOf(ray: number): number {
    return this.ends[ray]!;
  }

  /** Running sums of the channels along a ray; gives the part of it that lies inside the picture. */
  private sumAlong(
    { width, height, planes }: LabPlanes,
    [x0, y0]: Point,
    [dx, dy]: Point,
    sums: readonly Float32Array[],
  ): [from: number, to: number] {
    const [l, a, b] = planes;
    const [sumL, sumA, sumB] = sums as [Float32Array, Float32Array, Float32Array];
    let from = -1;
    let to = 0;
    for (let i = 0; i < this.length; i++) {
      const x = Math.round(x0 + dx * i);
      const y = Math.round(y0 + dy * i);
      const inside = x >= 0 && y >= 0 && x < width && y < height;
      if (inside && from < 0) from = i;
      if (inside) to = i + 1;
      const at = y * width + x;
      sumL[i + 1] = sumL[i]! + (inside ? l[at]! : 0);
      sumA[i + 1] = sumA[i]! + (inside ? a[at]! : 0);
      sumB[i + 1] = sumB[i]! + (inside ? b[at]! : 0);
    }
    return [Math.max(0, from), to];
  }

  /**
   * How sure an edge along the line is that crosses the first ray at `first` and the last at `last`,
   * 0–1; 0 where it leaves the picture. Neighbouring rays are averaged in sections, since a card may
   * change its colour along a side; what changes from ray to ray is grain and counts against it.
   * @param least what cannot come to more than this is not worked out: 0
   */
  strength(first: number, last: number, least = 0): number {
    const { rays, length } = this;
    if (first < 0 || last < 0 || first > length - 1 || last > length - 1) return 0;
    const change = this.changeAlong(first, last) / SECTIONS;
    if (!(surenessToStrength(change / SURE) > least)) return 0;
    const noise = Math.sqrt(this.grainAlong(first, last) / Math.max(1, rays - 1) / (rays / SECTIONS));
    if (Number.isNaN(noise)) return 0;
    return surenessToStrength(Math.max(0, change - 1.3 * noise) / (SURE + 1.5 * noise));
  }

  /** Sum over the sections of how much changes across the line; NaN where it leaves the picture. */
  private changeAlong(first: number, last: number): number {
    const { rays, changes } = this;
    const slope = (last - first) / Math.max(1, rays - 1);
    let total = 0;
    for (let section = 0; section < SECTIONS; section++) {
      const from = Math.round((rays * section) / SECTIONS);
      const to = Math.round((rays * (section + 1)) / SECTIONS);
      let l = 0;
      let a = 0;
      let b = 0;
      let ridgeL = 0;
      let ridgeA = 0;
      let ridgeB = 0;
      for (let ray = from; ray < to; ray++) {
        const i = this.placeOn(ray, first + slope * ray);
        l += changes[i]!;
        a += changes[i + 1]!;
        b += changes[i + 2]!;
        ridgeL += changes[i + 3]!;
        ridgeA += changes[i + 4]!;
        ridgeB += changes[i + 5]!;
      }
      const edge = Math.sqrt(l * l + a * a + b * b);
      const ridge = Math.sqrt(ridgeL * ridgeL + ridgeA * ridgeA + ridgeB * ridgeB);
      total += Math.min(MOST_A_SECTION, Math.max(edge, RIDGE * ridge) / (to - from));
    }
    return total;
  }

  /** Half the sum of the squared differences between neighbouring rays. */
  private grainAlong(first: number, last: number): number {
    const { rays, changes } = this;
    const slope = (last - first) / Math.max(1, rays - 1);
    let grain = 0;
    let before = this.placeOn(0, first);
    for (let ray = 1; ray < rays; ray++) {
      const i = this.placeOn(ray, first + slope * ray);
      const l = changes[i]! - changes[before]!;
      const a = changes[i + 1]! - changes[before + 1]!;
      const b = changes[i + 2]! - changes[before + 2]!;
      grain += l * l + a * a + b * b;
      before = i;
    }
    return grain / 2;
  }

  /** Index of the values at a place on a ray; `at` is not negative, which makes truncation rounding. */
  private placeOn(ray: number, at: number): number {
    return (ray * this.length + ((at + 0.5) | 0)) * VALUES;
  }
}

const surenessToStrength = (sureness: number): number => 1 - Math.exp(-1.3 * sureness);
