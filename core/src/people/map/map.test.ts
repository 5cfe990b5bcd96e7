import fc from 'fast-check';
import { kilometres, type At } from './distance';
import { dotsOf } from './dots';
import { placeOf, type OwnPlace, type Town } from './places';
import { roundOf } from './round';

const place: fc.Arbitrary<At> = fc.record({ lat: fc.double({ min: 54, max: 58, noNaN: true }), lon: fc.double({ min: -5, max: 0, noNaN: true }) }); // prettier-ignore
const wayOf = (order: readonly number[], places: readonly At[], from?: At, back?: boolean): number => {
  const way = [...(from ? [from] : []), ...order.map((i) => places[i]!)];
  const whole = back ? [...way, way[0]!] : way;
  return whole.slice(1).reduce((sum, one, i) => sum + kilometres(whole[i]!, one), 0);
};

const tableOf = (places: readonly At[]) => places.map((one) => places.map((other) => kilometres(one, other)));

/** The shortest of every order there is; one that is longer already is not looked at further. */
function byTryingAll(places: readonly At[], from?: At, back?: boolean): number {
  const table = tableOf(from ? [from, ...places] : places);
  const [least, most] = from ? [1, places.length + 1] : [0, places.length];
  let best = Infinity;
  const visited = new Set<number>();
  const goOn = (first: number, at: number, sum: number): void => {
    if (sum >= best) return;
    if (visited.size === places.length) best = Math.min(best, sum + (back ? table[at]![first]! : 0));
    for (let next = least; next < most; next++) {
      if (visited.has(next)) continue;
      visited.add(next);
      goOn(first, next, sum + table[at]![next]!);
      visited.delete(next);
    }
  };
  if (from) goOn(0, 0, 0);
  else
    for (const first of places.keys()) {
      visited.add(first);
      goOn(first, first, 0);
      visited.delete(first);
    }
  return best;
}

/** The shortest way through all, exactly (Held and Karp, 1962). */
function exactly(places: readonly At[]): number {
  const all = 1 << places.length;
  const table = tableOf(places);
  const best = Array.from({ length: all }, () => new Float64Array(places.length).fill(Infinity));
  for (const i of places.keys()) best[1 << i]![i] = 0;
  for (let set = 1; set < all; set++)
    for (const i of places.keys())
      if (best[set]![i]! < Infinity)
        for (const j of places.keys())
          if (!(set & (1 << j))) best[set | (1 << j)]![j] = Math.min(best[set | (1 << j)]![j]!, best[set]![i]! + table[i]![j]!); // prettier-ignore
  return Math.min(...best[all - 1]!);
}

describe('kilometres', () => {
  it('are those of the earth', () => {
    expect(kilometres({ lat: 0, lon: 0 }, { lat: 0, lon: 1 })).toBeCloseTo(111.195, 2);
    expect(kilometres({ lat: 90, lon: 0 }, { lat: -90, lon: 0 })).toBeCloseTo(20015.115, 2);
    expect(kilometres({ lat: 10, lon: 179.5 }, { lat: 10, lon: -179.5 })).toBeLessThan(111);
  });
});

describe('a round', () => {
  it.each([
    ['from anywhere to anywhere', false, false],
    ['from home', true, false],
    ['from home and back', true, true],
    ['in a circle', false, true],
  ])('of eight stops %s is at most 5 % longer than the shortest of all', (_, hasHome, back) => {
    fc.assert(
      fc.property(fc.array(place, { minLength: 8, maxLength: 8 }), place, (places, home) => {
        const from = hasHome ? home : undefined;
        const round = roundOf(places, { from, back });
        expect([...round.order].sort((a, b) => a - b)).toEqual([...places.keys()]);
        expect(round.kilometres).toBeCloseTo(wayOf(round.order, places, from, back), 6);
        expect(round.kilometres).toBeLessThanOrEqual(1.05 * byTryingAll(places, from, back) + 1e-6);
      }),
      { numRuns: 40 },
    );
  });

  it('of twelve stops is at most 5 % longer than the shortest', () => {
    fc.assert(
      fc.property(fc.array(place, { minLength: 12, maxLength: 12 }), (places) => {
        expect(roundOf(places).kilometres).toBeLessThanOrEqual(1.05 * exactly(places) + 1e-6);
      }),
      { numRuns: 60 },
    );
  });

  it('of none, of one, and of the same place many times is what it can be', () => {
    expect(roundOf([])).toEqual({ order: [], kilometres: 0 });
    expect(roundOf([{ lat: 1, lon: 1 }])).toEqual({ order: [0], kilometres: 0 });
    const same = Array.from({ length: 6 }, () => ({ lat: 1, lon: 1 }));
    expect(roundOf(same, { back: true }).kilometres).toBe(0);
  });
});

describe('where somebody is', () => {
  const town = (name: string, country: string, region: string, population: number, lat: number, lon: number): Town => ({ name, country, region, population, lat, lon }); // prettier-ignore
  const whitbys = [town('Whitby', 'GB', 'ENG', 13000, 54.49, -0.61), town('Whitby', 'CA', 'ON', 130000, 43.9, -78.9)];
  const newports = [town('Newport', 'GB', 'WLS', 128000, 51.59, -3), town('Newport', 'GB', 'ENG', 24000, 50.7, -1.29), town('Newport', 'GB', 'WLS', 1100, 51.6, -3.05)]; // prettier-ignore
  const wanted = (locality: string, country = 'GB', rest: object = {}) => ({ locality, country, region: '', postalCode: '', ...rest }); // prettier-ignore

  it('is the one town of that name in their country', () => {
    expect(placeOf(wanted('WHITBY'), whitbys, [])).toMatchObject({ kind: 'placed', lat: 54.49, by: 'town' });
    expect(placeOf(wanted('Whitby', 'CA'), whitbys, [])).toMatchObject({ lat: 43.9 });
  });

  it('is not guessed: neither without a country, nor among several', () => {
    expect(placeOf(wanted('Whitby', ''), whitbys, [])).toMatchObject({ kind: 'several' });
    const several = placeOf(wanted('Newport'), newports, []);
    // Two that lie together are one.
    expect(several.kind === 'several' && several.towns.map(({ population }) => population)).toEqual([128000, 24000]);
    expect(placeOf(wanted('Newport', 'GB', { region: 'WLS' }), newports, [])).toMatchObject({ kind: 'placed', lat: 51.59 }); // prettier-ignore
    expect(placeOf(wanted('Port Ellery'), [], [])).toEqual({ kind: 'unknown' });
    expect(placeOf(wanted('', 'GB'), [], [])).toEqual({ kind: 'unknown' });
  });

  it('is what the team has said, the most exact first', () => {
    const own: OwnPlace[] = [
      { country: 'GB', town: 'portellery', postal: '', lat: 56, lon: -2 },
      { country: 'GB', town: '', postal: 'pe4', lat: 56.1, lon: -2.1 },
      { country: 'GB', town: 'newport', postal: '', lat: 50.7, lon: -1.29 },
    ];
    expect(placeOf(wanted('Port Ellery'), [], own)).toMatchObject({ by: 'own', lat: 56 });
    expect(placeOf(wanted('Port Ellery', 'GB', { postalCode: 'PE4 7QX' }), [], own)).toMatchObject({ lat: 56.1 });
    expect(placeOf(wanted('Newport'), newports, own)).toMatchObject({ by: 'own', lat: 50.7 });
    expect(placeOf(wanted('Port Ellery', 'DE'), [], own)).toEqual({ kind: 'unknown' });
  });
});

describe('dots', () => {
  it('hold everybody, and lie where most of those are whom they stand for', () => {
    const spots = [{ lat: 0, lon: 0, people: 3 }, { lat: 0, lon: 0, people: 1 }, { lat: 0, lon: 0, people: 9 }]; // prettier-ignore
    expect(dotsOf(spots.slice(0, 2), [[10, 10], [14, 10]], 30)).toEqual([{ x: 11, y: 10, people: 4, spots: [0, 1] }]); // prettier-ignore
    // On either side of a border.
    expect(dotsOf(spots, [[29, 10], [31, 10], [90, 10]], 30)).toEqual([{ x: 90, y: 10, people: 9, spots: [2] }, { x: 29, y: 10, people: 4, spots: [0, 1] }]); // prettier-ignore
    expect(dotsOf(spots, [[10, 10], [50, 10], [90, 10]], 30).map(({ people }) => people)).toEqual([9, 3, 1]); // prettier-ignore
  });

  it('touch nowhere, however many there are', () => {
    const points = Array.from({ length: 400 }, (_, i) => [(i * 37) % 500, (i * 91) % 300] as const);
    const dots = dotsOf(points.map(() => ({ lat: 0, lon: 0, people: 1 })), points, 40); // prettier-ignore
    expect(dots.reduce((sum, { people }) => sum + people, 0)).toBe(400);
    for (const [i, a] of dots.entries())
      for (const b of dots.slice(i + 1)) expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThanOrEqual(28);
  });
});
