import type { TrayEvent } from '@dossier/contract';
import { captureSlice } from '@/features/capture';
import { api, TRAY_BATCH, TRAY_ROWS, TRAY_RUN, TRAY_TWINS } from '@/lib/api';
import { createStore } from '@/store';
import { trayApi } from './api';
import { followTray } from './followTray';
import { selectJustRead } from './slice';

const PHOTO = '0199c1f4-0000-7000-8000-000000000001';
const CARD = '0199c1f4-0000-7000-8000-000000000002';

class FakeLine {
  static latest: FakeLine;
  onmessage?: (message: { data: string }) => void;
  onopen?: () => void;
  close = jest.fn();
  constructor() {
    FakeLine.latest = this;
  }
  say(event: Partial<TrayEvent>) {
    this.onmessage?.({ data: JSON.stringify({ photoId: PHOTO, progress: null, ...event }) });
  }
}

/** Follows a tray that shows `shown`; what is asked for again is told by its tags. */
function follow(shown: { id: string; state: string; progress: number | null }[] = []) {
  const store = createStore();
  const stale: unknown[] = [];
  const dispatch = ((action: { type: string; payload: unknown }) => {
    if (api.util.invalidateTags.match(action)) stale.push(...(action.payload as unknown[]));
    return store.dispatch(action as never);
  }) as typeof store.dispatch;
  const tray = { pages: [{ items: shown }] };
  const stop = followTray({
    dispatch,
    getState: store.getState,
    change: (recipe) => recipe(tray as unknown as Parameters<typeof recipe>[0]),
  });
  const asked = () => stale.splice(0);
  return { line: FakeLine.latest, store, tray, asked, stop };
}

beforeEach(() => {
  jest.useFakeTimers();
  Object.assign(globalThis, { EventSource: FakeLine });
});
afterEach(() => jest.useRealTimers());

describe('following the tray', () => {
  it('asks for the rows when a photograph arrives, and once for what is beside them', () => {
    const { line, asked } = follow();
    line.say({ state: 'waiting' });
    line.say({ state: 'reading', progress: 0.02 });
    expect(asked()).toEqual([TRAY_ROWS]);
    jest.runAllTimers();
    expect(asked()).toEqual([TRAY_BATCH]);
  });

  it('leaves the asking to whoever sent it where it was sent from here', () => {
    const { line, asked, store } = follow();
    store.dispatch(captureSlice.actions.photoSending({ id: PHOTO, share: 1 }));
    line.say({ state: 'waiting' });
    expect(asked()).toEqual([]);
    store.dispatch(captureSlice.actions.photoSending(null));
    store.dispatch(captureSlice.actions.photoSent(PHOTO));
    line.say({ state: 'reading', progress: 0.02 });
    expect(asked()).toEqual([]);
  });

  it('shows how far the reading of a photograph is without asking', () => {
    const { line, asked, tray } = follow([{ id: PHOTO, state: 'waiting', progress: null }]);
    line.say({ state: 'reading', progress: 0.3 });
    expect(tray.pages[0]!.items[0]).toMatchObject({ state: 'reading', progress: 0.3 });
    jest.runAllTimers();
    expect(asked()).toEqual([]);
  });

  it('asks for rows and borders at once when a photograph is read, and names its first card', () => {
    const { line, asked, store } = follow();
    line.say({ state: 'read', progress: 1, cardId: CARD });
    expect(asked()).toEqual([TRAY_ROWS, { type: 'Photo', id: PHOTO }]);
    expect(selectJustRead(store.getState())).toBe(CARD);
    line.say({ state: 'unreadable' });
    asked();
    jest.runAllTimers();
    expect(asked()).toEqual([TRAY_BATCH, TRAY_TWINS, TRAY_RUN, 'Occasion']);
  });

  it('asks for everything once the line stands, after any other change, and when the line was down', () => {
    const { line, asked, store } = follow();
    line.onopen?.();
    const everything = asked();
    expect(everything).toEqual(['Tray', 'Occasion', 'Card', 'Photo']);
    line.say({ state: 'read', progress: 1, cardId: CARD });
    asked();
    line.say({ state: 'changed' });
    expect(selectJustRead(store.getState())).toBeNull();
    expect(asked()).toEqual(everything);
    line.onopen?.();
    expect(asked()).toEqual(everything);
  });

  it('says nothing any more once it has stopped', () => {
    const { line, asked, stop } = follow();
    line.say({ state: 'read', progress: 1 });
    asked();
    stop();
    jest.runAllTimers();
    expect(asked()).toEqual([]);
    expect(line.close).toHaveBeenCalled();
  });
});

describe('what the tags of the tray stand for', () => {
  it('parts of it by themselves, and all of it by its name', async () => {
    const store = createStore();
    const { upsertQueryData, selectInvalidatedBy } = trayApi.util;
    await store.dispatch(upsertQueryData('latestBatch', undefined, { batch: null }));
    await store.dispatch(upsertQueryData('secondLooks', undefined, { asked: [], answered: [] }));
    const stale = (tag: Parameters<typeof selectInvalidatedBy>[1][number]) =>
      selectInvalidatedBy(store.getState(), [tag]).map(({ endpointName }) => endpointName);
    expect(stale(TRAY_BATCH)).toEqual(['latestBatch']);
    expect(stale(TRAY_TWINS)).toEqual([]);
    expect(stale('Tray')).toEqual(['latestBatch', 'secondLooks']);
  });
});
