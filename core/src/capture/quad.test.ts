import fc from 'fast-check';
import {
  area,
  contains,
  coveredShare,
  intersectionOverUnion,
  orderCorners,
  rectangle,
  renameCorners,
  type Point,
} from '.';

const box = fc.record({
  x: fc.integer({ min: 0, max: 500 }),
  y: fc.integer({ min: 0, max: 500 }),
  w: fc.integer({ min: 5, max: 300 }),
  h: fc.integer({ min: 5, max: 300 }),
});

describe('outlines', () => {
  it('overlap as rectangles do', () => {
    fc.assert(
      fc.property(box, box, (a, b) => {
        const shared =
          Math.max(0, Math.min(a.x + a.w, b.x + b.w) - Math.max(a.x, b.x)) *
          Math.max(0, Math.min(a.y + a.h, b.y + b.h) - Math.max(a.y, b.y));
        const expected = shared / (a.w * a.h + b.w * b.h - shared);
        const found = intersectionOverUnion(rectangle(a.x, a.y, a.w, a.h), rectangle(b.x, b.y, b.w, b.h));
        expect(found).toBeCloseTo(expected, 6);
      }),
    );
  });

  it('cover themselves whole and what is beside them not at all', () => {
    const quad = rectangle(10, 10, 40, 20);
    expect(coveredShare(quad, quad)).toBeCloseTo(1);
    expect(coveredShare(quad, rectangle(100, 10, 40, 20))).toBe(0);
  });

  it('name their corners from the top left, whatever order they come in', () => {
    const corners: Point[] = [
      [100, 60],
      [0, 0],
      [0, 60],
      [100, 0],
    ];
    expect(orderCorners(corners)).toEqual([
      [0, 0],
      [100, 0],
      [100, 60],
      [0, 60],
    ]);
  });

  it('are back where they were after four quarter turns', () => {
    const quad = rectangle(3, 4, 50, 30);
    const once = renameCorners(quad, 1);
    expect(once).not.toEqual(quad);
    expect(renameCorners(renameCorners(once, 1), 2)).toEqual(quad);
  });

  it('contain their middle and not what lies outside', () => {
    const quad: Point[] = [
      [0, 0],
      [10, 2],
      [9, 8],
      [1, 7],
    ];
    expect(contains(quad, [5, 5])).toBe(true);
    expect(contains(quad, [11, 5])).toBe(false);
    expect(area(quad)).toBeGreaterThan(0);
  });
});
