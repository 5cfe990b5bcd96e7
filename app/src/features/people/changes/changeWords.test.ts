import type { PeopleChangeState } from '@dossier/contract';
import { leftWords, previewWords, stateWords, whatWords } from './changeWords';

const state = (change: Partial<PeopleChangeState>): PeopleChangeState => ({
  id: 'c1',
  state: 'done',
  at: '2026-03-24T10:00:00.000Z',
  by: 'Ottilie Brandt',
  what: {},
  owner: null,
  occasion: null,
  plan: null,
  total: 1284,
  done: 400,
  changed: 1,
  left: [],
  leftTotal: 0,
  isOwn: true,
  ...change,
});

const NOBODY = { owner: null, occasion: null, plan: null };

describe('words about a change of many', () => {
  it('say before for how many it will be, and who stays as they are and why', () => {
    expect(previewWords({ total: 3, changed: 0, same: 3, left: [] })).toEqual(['Nobody would be different.', '3 are so already.']); // prettier-ignore
    const left = [{ why: 'noCard' as const, people: 7, names: ['Corwin Sealthwaite', ''] }];
    expect(previewWords({ total: 1292, changed: 1284, same: 1, left })).toEqual([
      '1,284 people will be different.',
      '1 is so already.',
      '7 people stay as they are, because they have no card: Corwin Sealthwaite, somebody without a name and 5 more.',
    ]);
  });

  it('say what it was', () => {
    const what = { addTags: ['dairy', 'visit'], kind: 'lead' as const, rating: null, ownerId: 'a', occasionId: null };
    expect(whatWords(what, { owner: 'Idris Falconer', occasion: null, plan: null })).toBe(
      'tags “dairy”, “visit” added, given to Idris Falconer, made leads, rating taken away, occasion taken away',
    );
    expect(whatWords({ field: { name: 'locality', value: '' }, note: 'x'.repeat(80) }, NOBODY)).toBe(
      `Town emptied, note “${'x'.repeat(60)}…” added`,
    );
  });

  it.each<[Partial<PeopleChangeState>, string]>([
    [{ state: 'running' }, 'Changing 1,284 people: 400 gone through.'],
    [{ state: 'done', leftTotal: 2 }, '1 person changed. 2 people left as they are.'],
    [{ state: 'stopped', changed: 400 }, 'Stopped: 400 people changed, the others are as they were.'],
    [{ state: 'undoing', total: 5, done: 2 }, 'Taking back: 2 of 5 people.'],
    [{ state: 'undone', leftTotal: 1 }, '1 person is as before. 1 person left as they are.'],
  ])('say how far it is: %j', (change, words) => expect(stateWords(state(change))).toBe(words));

  it('name the field that stands against taking it back', () => {
    expect(leftWords({ personId: 'p', fullName: '', why: 'changedSince', field: 'locality' })).toBe('Somebody without a name: Town was changed since'); // prettier-ignore
  });
});
