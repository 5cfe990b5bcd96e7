import { act, renderHook } from '@testing-library/react';
import { useSelection } from './useSelection';

const open = (stay = false) =>
  renderHook(({ rows }) => useSelection(rows, stay), { initialProps: { rows: ['a', 'b', 'c', 'd', 'e'] } });

describe('choosing several rows', () => {
  it('takes rows one by one, takes them back, and a run with shift in either direction', () => {
    const { result } = open();
    expect(result.current.active).toBe(false);
    act(() => result.current.toggle('d'));
    expect([result.current.active, result.current.chosen]).toEqual([true, ['d']]);
    act(() => result.current.toggle('b', true));
    expect(result.current.chosen).toEqual(['b', 'c', 'd']);
    act(() => result.current.toggle('c'));
    expect(result.current.chosen).toEqual(['b', 'd']);
    act(() => result.current.end());
    expect([result.current.active, result.current.chosen]).toEqual([false, []]);
  });

  it.each([
    ['forgets rows that have left the list', false, ['b', 'e']],
    ['keeps them where the list shows only a part', true, ['a', 'b', 'c', 'd', 'e']],
  ])('%s', (_what, stay, left) => {
    const { result, rerender } = open(stay);
    act(() => result.current.all());
    rerender({ rows: ['b', 'e'] });
    expect(result.current.chosen).toEqual(left);
  });
});
