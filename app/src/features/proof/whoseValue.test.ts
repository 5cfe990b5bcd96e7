import type { Action, Change } from '@dossier/contract';
import { whoseValue } from './whoseValue';

const change = (action: Action, actor: string, field: string, before: string, after: string): Change => ({
  id: actor,
  at: '2026-11-20T10:00:00.000Z',
  actor,
  action,
  cardId: null,
  changes: [{ field, before, after }],
});
const title = { field: 'title' as const, label: '', value: 'Dock master' };
const phone = { field: 'phone' as const, label: '', value: '+441632960204' };

describe('whose a value is that stands on no card shown', () => {
  it('is theirs who wrote it, not theirs who filed what stood there before', () => {
    const history = [
      change('edited', 'Ottilie Brandt', 'title', 'Hand', 'Dock master'),
      change('filed', 'Maren Holt', 'title', '', 'Hand'),
    ];
    expect(whoseValue(history, title)).toMatch(/^Written by Ottilie Brandt, /);
  });

  it('is told of, also where it was longer before', () => {
    const history = [change('edited', 'Ottilie Brandt', 'title', 'Dock master, senior', 'Dock master')];
    expect(whoseValue(history, title)).toMatch(/^Written by Ottilie Brandt, /);
  });

  it('is only said to be filed when a card brought it: it may have been read there', () => {
    expect(whoseValue([change('filed', 'Maren Holt', 'title', '', 'Dock master')], title)).toMatch(
      /^Filed by Maren Holt, /,
    );
  });

  it('of a list is theirs who brought that very entry', () => {
    const history = [
      change('edited', 'Ottilie Brandt', 'phones', '+44 1632 960204', '+44 1632 960204, +44 7700 900118'),
      change('filed', 'Maren Holt', 'phones', '', '+44 1632 960204'),
    ];
    expect(whoseValue(history, phone)).toMatch(/^Filed by Maren Holt, /);
  });

  it('is nobody’s where the history does not tell', () => {
    expect(whoseValue([], title)).toBe('Not from a card whose picture is kept.');
  });
});
