import fc from 'fast-check';
import { leastCostPairs } from './leastCostPairs';
import { matchBacks, type PlacedCard } from './matchBacks';
import { rectangle } from './quad';

const card = (id: string, x: number, y: number): PlacedCard => ({ id, quad: rectangle(x, y, 85, 55) });

/** Eight cards in four rows of two. */
const sheet = (prefix: string, place: (x: number, y: number) => [number, number]): PlacedCard[] =>
  Array.from({ length: 8 }, (_, i) => card(`${prefix}${i}`, ...place((i % 2) * 110, Math.floor(i / 2) * 80)));

const same = ({ pairs }: ReturnType<typeof matchBacks>) => pairs.every((p) => p.frontId.slice(1) === p.backId.slice(1));

describe('backs matched by position', () => {
  const fronts = sheet('f', (x, y) => [x, y]);

  it('finds cards turned over in their places, in a picture of another size and place', () => {
    const matched = matchBacks(fronts, sheet('b', (x, y) => [300 + x * 1.7 + y * 0.04, 90 + y * 1.7]).reverse());
    expect(matched.laid).toBe('inPlace');
    expect(matched.pairs).toHaveLength(8);
    expect(same(matched)).toBe(true);
  });

  it('leaves a missing back out and keeps the others', () => {
    const matched = matchBacks(
      fronts,
      sheet('b', (x, y) => [x, y]).filter(({ id }) => id !== 'b3'),
    );
    expect(matched.pairs.map((p) => p.frontId)).toEqual(fronts.map((f) => f.id).filter((id) => id !== 'f3'));
    expect(same(matched)).toBe(true);
  });

  it('sees a layout with a gap turned over as a whole', () => {
    const corner = [card('f0', 0, 0), card('f1', 110, 0), card('f2', 0, 80)];
    const turned = [card('b0', 220, 0), card('b1', 110, 0), card('b2', 220, 80)];
    const matched = matchBacks(corner, turned);
    expect(matched.laid).toBe('sideways');
    expect(same(matched)).toBe(true);
  });

  it('takes a row that is not quite level as a row', () => {
    const row = [card('f0', 0, 0), card('f1', 100, 6), card('f2', 200, -4)];
    const matched = matchBacks(row, [card('b2', 210, 9), card('b0', 0, 5), card('b1', 105, -3)]);
    expect(same(matched)).toBe(true);
    expect(matched.pairs).toHaveLength(3);
  });

  it('has nothing to match without cards', () => {
    expect(matchBacks([], fronts).pairs).toEqual([]);
    expect(matchBacks(fronts, []).pairs).toEqual([]);
  });
});

describe('pairs of least cost', () => {
  it('are as good as the best of all ways, and use no row or column twice', () => {
    const matrix = fc.tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 1, max: 5 })).chain(([rows, columns]) =>
      fc.array(fc.array(fc.integer({ min: 0, max: 50 }), { minLength: columns, maxLength: columns }), {
        minLength: rows,
        maxLength: rows,
      }),
    );
    fc.assert(
      fc.property(matrix, (costs) => {
        const pairs = leastCostPairs(costs);
        expect(pairs).toHaveLength(Math.min(costs.length, costs[0]!.length));
        expect(new Set(pairs.map((p) => p[0])).size).toBe(pairs.length);
        expect(new Set(pairs.map((p) => p[1])).size).toBe(pairs.length);
        expect(pairs.reduce((sum, [i, j]) => sum + costs[i]![j]!, 0)).toBe(bestOf(costs));
      }),
    );
  });
});

/** By trying everything. */
function bestOf(costs: readonly (readonly number[])[]): number {
  const size = Math.min(costs.length, costs[0]!.length);
  const from = (row: number, used: ReadonlySet<number>): number => {
    if (used.size === size) return 0;
    if (row === costs.length) return Infinity;
    const taken = costs[row]!.flatMap((cost, j) => (used.has(j) ? [] : [cost + from(row + 1, new Set([...used, j]))]));
    return Math.min(from(row + 1, used), ...taken);
  };
  return from(0, new Set());
}
