import { groupPairs } from './groupPairs';

const link = (a: string, b: string, likelihood: number) => ({ a, b, likelihood });

describe('groups of likely duplicates', () => {
  it('are what hangs together, the surest first', () => {
    const groups = groupPairs([link('a', 'b', 0.7), link('c', 'd', 0.99), link('d', 'e', 0.98), link('c', 'e', 0.97)]);
    expect(groups.map(({ members }) => members.sort())).toEqual([
      ['c', 'd', 'e'],
      ['a', 'b'],
    ]);
    expect(groups[0]!.links.map(({ likelihood }) => likelihood)).toEqual([0.99, 0.98]);
  });

  it('stay small enough to be looked at', () => {
    const chain = Array.from({ length: 40 }, (_, i) => link(`p${i}`, `p${i + 1}`, 0.9));
    for (const { members } of groupPairs(chain)) expect(members.length).toBeLessThanOrEqual(12);
  });

  it('never hold two of whom somebody said that they are not the same, also not through others', () => {
    const chain = [link('a', 'b', 0.99), link('b', 'c', 0.98), link('c', 'd', 0.97), link('a', 'd', 0.6)];
    const isApart = (x: string, y: string) => [x, y].sort().join() === 'a,d';
    const groups = groupPairs(chain, isApart);
    expect(groups.map(({ members }) => members.sort())).toEqual([['a', 'b', 'c']]);
    for (const { members } of groups) expect(members.includes('a') && members.includes('d')).toBe(false);
  });
});
