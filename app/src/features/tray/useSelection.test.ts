import { act, renderHook } from '@testing-library/react';
import { useSelection } from './useSelection';

const open = (ids = ['a', 'b', 'c', 'd', 'e']) =>
  renderHook(({ rows }) => useSelection(rows), { initialProps: { rows: ids } });

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

  it('forgets rows that have left the list', () => {
    const { result, rerender } = open();
    act(() => result.current.all());
    rerender({ rows: ['b', 'e'] });
    expect(result.current.chosen).toEqual(['b', 'e']);
  });
});
