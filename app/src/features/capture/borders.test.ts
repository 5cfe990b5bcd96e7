import type { PhotoOutlines } from '@dossier/contract';
import {
  type BorderAct,
  bordersOf,
  changeBorders,
  changeOf,
  complaintsAbout,
  isChanged,
  selectedBorder,
  toBeRead,
  withMissed,
} from './borders';

const quad = (left: number): [number, number][] => [
  [left, 100],
  [left + 300, 100],
  [left + 300, 280],
  [left, 280],
];
const outlines = {
  width: 1200,
  height: 900,
  reading: false,
  picture: true,
  outlines: [
    { cardId: 'a', quad: quad(50), name: 'Sefa Brack', filed: false },
    { cardId: 'b', quad: quad(400), name: null, filed: false },
    { cardId: 'c', quad: quad(800), name: 'Ines Falk', filed: true },
    { cardId: 'd', quad: null, name: null, filed: false },
  ],
} as unknown as PhotoOutlines;
const before = bordersOf(outlines);
const after = (...acts: BorderAct[]) => acts.reduce(changeBorders, before);
const select = (key: string): BorderAct => ({ kind: 'select', key });

describe('borders on the screen', () => {
  it('change nothing until a person changes them', () => {
    expect(before.list.map((b) => b.key)).toEqual(['a', 'b', 'c']);
    expect([isChanged(after(select('a')), before), toBeRead(before, before)]).toEqual([false, 0]);
  });

  it('count what will be read again: moved, turned, new, both halves of a split', () => {
    const moved = after(select('a'), { kind: 'begin' }, { kind: 'corner', corner: 0, to: [20, 80] });
    const cases = [
      moved,
      after(select('a'), { kind: 'turn' }),
      after({ kind: 'add' }),
      after(select('a'), { kind: 'split' }),
      after(select('a'), { kind: 'join', other: 'b' }),
      after(select('a'), { kind: 'remove' }),
    ];
    expect(cases.map((b) => [b.list.length, toBeRead(b, before)])).toEqual([
      [3, 1],
      [3, 1],
      [4, 1],
      [4, 2],
      [2, 1],
      [2, 0],
    ]);
    expect(changeOf(moved).outlines[0]).toMatchObject({ cardId: 'a', quad: [[20, 80], [350, 100], [350, 280], [50, 280]] }); // prettier-ignore
    expect(changeOf(cases[1]!).outlines[0]).toMatchObject({ cardId: 'a', upright: true });
  });

  it('go back one act at a time, a whole drag being one', () => {
    const dragged = after(
      select('a'),
      { kind: 'begin' },
      { kind: 'move', by: [10, 0] },
      { kind: 'move', by: [10, 0] },
      { kind: 'add' },
    );
    const once = changeBorders(dragged, { kind: 'undo' });
    expect([once.list.length, isChanged(once, before)]).toEqual([3, true]);
    const twice = changeBorders(once, { kind: 'undo' });
    expect(isChanged(twice, before)).toBe(false);
    expect(changeBorders(twice, { kind: 'undo' })).toEqual(twice);
  });

  it('leave a filed card as it is', () => {
    const acts: BorderAct[] = [{ kind: 'move', by: [9, 9] }, { kind: 'turn' }, { kind: 'split' }, { kind: 'remove' }];
    for (const act of acts) expect(isChanged(after(select('c'), act), before)).toBe(false);
    expect(isChanged(after(select('a'), { kind: 'join', other: 'c' }), before)).toBe(false);
  });

  it('name the border along which no card can be cut out', () => {
    const crossed = after(select('a'), { kind: 'corner', corner: 0, to: [600, 400] });
    expect([...complaintsAbout(crossed).keys()]).toEqual(['a']);
    expect(complaintsAbout(before).size).toBe(0);
  });

  it('begin with what was perhaps missed, to be read or taken away', () => {
    const begun = withMissed(before, [quad(600) as never]);
    expect(selectedBorder(begun)).toMatchObject({ cardId: null, perhaps: true, quad: quad(600) });
    expect([isChanged(begun, before), toBeRead(begun, before)]).toEqual([true, 1]);
    expect(isChanged(changeBorders(begun, { kind: 'remove' }), before)).toBe(false);
    expect(withMissed(before, [])).toEqual(before);
  });
});
