import { placeAt, pointOf, viewOf, worldOf, zoomed } from './view';

const SIZE = { width: 390, height: 400 };
const PLACES = [{ lat: 54.5, lon: -0.6 }, { lat: 57.1, lon: -2.1 }, { lat: 55.9, lon: -3.2 }]; // prettier-ignore

describe('the view of a map', () => {
  it('shows all places, whatever the shape of the screen', () => {
    for (const size of [SIZE, { width: 900, height: 300 }]) {
      const view = viewOf(PLACES, size);
      for (const place of PLACES) {
        const [x, y] = pointOf(view, place);
        expect(x > 0 && x < size.width && y > 0 && y < size.height).toBe(true);
      }
    }
  });

  it('knows the place under a point', () => {
    const view = viewOf(PLACES, SIZE);
    const { lat, lon } = placeAt(view, pointOf(view, PLACES[1]!));
    expect([lat, lon]).toEqual([expect.closeTo(57.1, 6), expect.closeTo(-2.1, 6)]);
  });

  it('stays over the point that it is brought nearer at, and within what there is to see', () => {
    const view = viewOf(PLACES, SIZE);
    const point = pointOf(view, PLACES[0]!);
    expect(pointOf(zoomed(view, 3, point), PLACES[0]!)).toEqual([expect.closeTo(point[0], 6), expect.closeTo(point[1], 6)]); // prettier-ignore
    expect(zoomed(view, 1e9, point).scale).toBeLessThan(1000);
    expect(zoomed(view, 1e-9, point).scale).toBeGreaterThan(0.1);
  });

  it('of nobody is the world, and of one place a neighbourhood', () => {
    expect(viewOf([], SIZE).scale).toBeCloseTo(390 / 1024);
    expect(Number.isFinite(viewOf([PLACES[0]!], SIZE).scale)).toBe(true);
    expect(worldOf({ lat: 90, lon: 0 }).every(Number.isFinite)).toBe(true);
  });
});
