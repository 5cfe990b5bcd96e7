import { act } from '@testing-library/react';
import { answerWith, renderInStore } from '@/testing/renderInStore';
import { PreparedDesk } from './PreparedDesk';

jest.mock('./screens', () => ({ ProofScreen: { preload: () => undefined } }));

const card = { id: 'waiting-card', kind: 'card', photoId: null, state: 'toProve', takenAt: '2026-05-12T09:00:00Z' };
const MINUTE_MS = 60_000;
const photo = (takenAgoMs: number) => ({
  id: 'photo',
  kind: 'photo',
  photoId: 'photo',
  state: 'reading',
  takenAt: new Date(Date.now() - takenAgoMs).toISOString(),
});

/** Which cards are asked for beside a tray with these items. */
async function askedBeside(items: readonly object[]): Promise<string[]> {
  const fetched = answerWith({
    'GET /session': { body: { user: { id: 'ottilie', name: 'Ottilie Marchetti' } } },
    'GET /tray': { body: { items, total: items.length, next: null, backs: [], missed: [] } },
  });
  const { store } = renderInStore(<PreparedDesk />);
  const answered = () => Object.values(store.getState().api.queries).filter((query) => query?.status === 'fulfilled');
  const SESSION_AND_TRAY = 2;
  await act(() => new Promise<void>((done) => store.subscribe(() => answered().length >= SESSION_AND_TRAY && done())));
  return fetched.mock.calls.map(([{ url }]: [Request]) => url).filter((url) => url.includes('/cards/'));
}

beforeEach(() => {
  Object.assign(globalThis, { EventSource: class { close = () => undefined; } }); // prettier-ignore
});

describe('beside the tray', () => {
  it('the likeliest card is loaded ahead', async () => {
    expect(await askedBeside([card])).toEqual(['/api/v1/cards/waiting-card']);
  });

  it('nothing is, as long as a photograph is likely to be read in a moment', async () => {
    expect(await askedBeside([card, photo(-MINUTE_MS)])).toEqual([]);
  });

  it('it is where that photograph takes long', async () => {
    expect(await askedBeside([card, photo(MINUTE_MS)])).toEqual(['/api/v1/cards/waiting-card']);
  });
});
