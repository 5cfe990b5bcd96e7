import fc from 'fast-check';
import { applyHomography, aspectOfQuad, homographyBetween, rectangle, rectifiedSize, type Point, type Quad } from '.';

const jitter = fc.integer({ min: -60, max: 60 });
const tilted = fc
  .tuple(
    ...(Array.from({ length: 8 }, () => jitter) as [
      typeof jitter,
      typeof jitter,
      typeof jitter,
      typeof jitter,
      typeof jitter,
      typeof jitter,
      typeof jitter,
      typeof jitter,
    ]),
  )
  .map((d): Quad => [
    [200 + d[0], 150 + d[1]],
    [800 + d[2], 150 + d[3]],
    [800 + d[4], 500 + d[5]],
    [200 + d[6], 500 + d[7]],
  ]);

describe('taking the perspective out', () => {
  it('brings every corner to its place', () => {
    fc.assert(
      fc.property(tilted, (quad) => {
        const to = rectangle(0, 0, 850, 500);
        const map = homographyBetween(quad, to);
        quad.forEach((corner, i) => {
          const [x, y] = applyHomography(map, corner);
          expect(x).toBeCloseTo(to[i]![0], 4);
          expect(y).toBeCloseTo(to[i]![1], 4);
        });
      }),
    );
  });

  it('refuses corners on one line', () => {
    const flat: Quad = [
      [0, 0],
      [10, 0],
      [20, 0],
      [30, 0],
    ];
    expect(() => homographyBetween(flat, rectangle(0, 0, 1, 1))).toThrow(RangeError);
  });

  it('finds the proportions of a card seen at a slant', () => {
    // A card of 85 × 50 before a pinhole camera with its axis through the picture's centre.
    const focal = 1500;
    const [tilt, yaw] = [0.5, 0.35];
    const project = ([x, y]: Point): Point => {
      const [X, Z1] = [x * Math.cos(yaw), x * Math.sin(yaw)];
      const [Y, Z] = [y * Math.cos(tilt) - Z1 * Math.sin(tilt), y * Math.sin(tilt) + Z1 * Math.cos(tilt) + 160];
      return [800 + (focal * X) / Z, 600 + (focal * Y) / Z];
    };
    const corners: Point[] = [
      [-42.5, -25],
      [42.5, -25],
      [42.5, 25],
      [-42.5, 25],
    ];
    const quad = corners.map(project) as unknown as Quad;
    expect(aspectOfQuad(quad, [1600, 1200])).toBeCloseTo(1.7, 1);
  });

  it('never makes a card larger than is of use', () => {
    const { width, height } = rectifiedSize(rectangle(0, 0, 4000, 2350), [4000, 3000]);
    expect(width).toBe(1400);
    expect(width / height).toBeCloseTo(4000 / 2350, 1);
  });
});
