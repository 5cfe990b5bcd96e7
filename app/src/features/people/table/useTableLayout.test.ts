import { act, renderHook } from '@testing-library/react';
import { useTableLayout } from './useTableLayout';

const open = () => renderHook(() => useTableLayout('account'));

describe('the columns of a table', () => {
  beforeEach(() => localStorage.clear());

  it('are shown, moved and sized, and stay so on this device', () => {
    const { result } = open();
    expect(result.current.shown.slice(0, 3)).toEqual(['name', 'title', 'company']);
    act(() => result.current.step('company', -1));
    act(() => result.current.toggle('title'));
    act(() => result.current.toggle('region'));
    act(() => result.current.resize('company', 5));
    const again = open().result.current;
    expect(again.shown.slice(0, 3)).toEqual(['name', 'company', 'email']);
    expect(again.shown).toContain('region');
    expect(again.sizes).toEqual({ company: 60 });
    act(() => result.current.reset());
    expect(open().result.current.shown[1]).toBe('title');
  });

  it('never stand before the name', () => {
    const { result } = open();
    act(() => result.current.step('title', -1));
    act(() => result.current.moveTo('email', 'name'));
    expect(result.current.shown.slice(0, 2)).toEqual(['name', 'email']);
  });

  it('that are new, or gone, do not disturb what was kept', () => {
    localStorage.setItem('dossier.people.table.account', JSON.stringify({ order: ['name', 'gone', 'email'], sizes: {}, shown: ['gone', 'email', 'title'] })); // prettier-ignore
    expect(open().result.current.shown).toEqual(['name', 'email', 'title']);
  });
});
