import type { TodayItem } from '@dossier/contract';
import { wordOf } from './useTodayCount';

const nella = { id: 'p', fullName: 'Nella Harrowfield', company: '' };
const task = (dueTime: string | null): TodayItem => ({
  kind: 'task',
  isLate: false,
  task: { id: 't', kind: 'task', text: 'Ring about the seal', dueOn: '2026-11-30', dueTime, repeat: null, owner: { id: 'o', name: 'Ottilie' }, person: nella, company: null,
  opportunity: null, plan: null, doneAt: null, version: 1 }, // prettier-ignore
});

describe('word outside the window', () => {
  it('is given of a task once its time has come, not before, and of one for any time of the day not at all', () => {
    expect(wordOf(task('10:00'), '10:00')).toEqual([
      { id: 't 10:00', words: 'Ring about the seal (Nella Harrowfield)' },
    ]);
    expect(wordOf(task('10:00'), '09:59')).toEqual([]);
    expect(wordOf(task(null), '23:00')).toEqual([]);
  });
  it('is given of an answer, and of nothing that only waits', () => {
    const message = { id: 'm', at: '2026-11-30T10:00:00Z', subject: 'Re: Your dock', text: 'Yes.' };
    expect(wordOf({ kind: 'answer', person: nella, message }, '10:00')).toEqual([{ id: 'm', words: 'Nella Harrowfield has answered.' }]); // prettier-ignore
    expect(wordOf({ kind: 'lead', person: nella, untouchedSince: '2026-11-01T10:00:00Z' }, '10:00')).toEqual([]);
  });
});
