import { configureStore } from '@reduxjs/toolkit';
import { api } from '@/lib/api';
import { deviceStore } from '@/lib/deviceStore';
import {
  findKeptRequests,
  keepForLater,
  outboxSlice,
  sendHeldAtClosing,
  sendOrKeep,
  sendRequestAgain,
} from '@/lib/outbox';
import { findKeptPhotos, forgetPhoto, keepPhoto, sendAnyway } from './keepPhoto';
import { forgetWhatIsGone, sendEverythingKept } from './sendPhotos';
import { captureSlice } from './slice';

const createStore = () =>
  configureStore({
    reducer: { [api.reducerPath]: api.reducer, capture: captureSlice.reducer, outbox: outboxSlice.reducer },
  });
const picture = (name = '') => ({
  bytes: { size: 3, type: 'image/jpeg' } as Blob,
  name,
  occasionId: null,
});
const answer = (status: number, body: unknown = {}) =>
  ({ ok: status < 300, status, json: () => Promise.resolve(body) }) as Response;

/** Uploads go through XMLHttpRequest, requests through fetch; both are answered by one list. */
jest.mock('./upload', () => ({
  upload: (address: string, _bytes: Blob, _onProgress: unknown, from: number) => {
    mockBeginnings.push(from);
    return globalThis.fetch(address).catch(() => undefined);
  },
}));
/** From which byte on each upload went. */
const mockBeginnings: number[] = [];

let store: ReturnType<typeof createStore>;
const onDevice = async () => (await (await deviceStore()).getAll('photos')).map((p) => p.id);

beforeEach(async () => {
  store = createStore();
  await (await deviceStore()).clear('photos');
  await (await deviceStore()).clear('requests');
  globalThis.fetch = jest.fn();
});
const fetched = () => globalThis.fetch as jest.Mock;

describe('photographs on this device', () => {
  it('are there again after a reload, for the account that took them', async () => {
    const id = await keepPhoto('ottilie', picture())(store.dispatch);
    const reloaded = createStore();
    await findKeptPhotos('ottilie')(reloaded.dispatch);
    expect(reloaded.getState().capture.waiting.map((p) => p.id)).toEqual([id]);
    const stranger = createStore();
    await findKeptPhotos('juno')(stranger.dispatch);
    expect(stranger.getState().capture.waiting).toEqual([]);
  });

  it('leave it only after the server has confirmed them, oldest first', async () => {
    const ids = [
      await keepPhoto('ottilie', picture())(store.dispatch),
      await keepPhoto('ottilie', picture())(store.dispatch),
    ];
    fetched().mockResolvedValue(answer(201));
    expect(await sendEverythingKept('ottilie')(store.dispatch)).toBe('done');
    expect(fetched().mock.calls.map(([url]) => String(url).split('/').pop()!.split('?')[0])).toEqual(ids);
    expect(await onDevice()).toEqual([]);
    expect(store.getState().capture).toMatchObject({ waiting: [], lastSent: ids[1] });
  });

  it.each([
    ['no network', () => fetched().mockRejectedValue(new TypeError('failed'))],
    ['a server in trouble', () => fetched().mockResolvedValue(answer(503))],
    ['a session that has ended', () => fetched().mockResolvedValue(answer(401))],
  ])('stay on it with %s', async (_what, meet) => {
    const id = await keepPhoto('ottilie', picture())(store.dispatch);
    meet();
    expect(await sendEverythingKept('ottilie')(store.dispatch)).toBe('tryLater');
    expect(await onDevice()).toEqual([id]);
    expect(store.getState().capture.waiting[0]).toMatchObject({ id, refusal: null });
  });

  it('stay with the reason when they are refused, and hold up no other', async () => {
    const refused = await keepPhoto('ottilie', picture('letter.jpg'))(store.dispatch);
    await keepPhoto('ottilie', picture())(store.dispatch);
    const problem = {
      type: 'about:blank',
      title: 'Not a picture',
      status: 415,
      detail: 'This file is not a picture.',
      code: 'not-a-picture',
    };
    fetched().mockResolvedValueOnce(answer(415, problem)).mockResolvedValueOnce(answer(201));
    expect(await sendEverythingKept('ottilie')(store.dispatch)).toBe('done');
    expect(store.getState().capture.waiting).toMatchObject([{ id: refused, refusal: 'This file is not a picture.' }]);
    // Not sent again by itself; gone when the person says so.
    fetched().mockClear();
    await sendEverythingKept('ottilie')(store.dispatch);
    expect(fetched()).not.toHaveBeenCalled();
    await forgetPhoto(refused)(store.dispatch);
    expect(await onDevice()).toEqual([]);
  });

  it('are no longer shown as waiting when another tab has sent them', async () => {
    await keepPhoto('ottilie', picture())(store.dispatch);
    await keepForLater('ottilie', { method: 'PUT', path: '/occasions/o1', body: {}, words: 'Occasion' })(
      store.dispatch,
    );
    fetched().mockResolvedValue(answer(201));
    await sendEverythingKept('ottilie')(createStore().dispatch);
    const still = await keepPhoto('ottilie', picture())(store.dispatch);
    await forgetWhatIsGone()(store.dispatch, store.getState);
    expect(store.getState().capture.waiting.map(({ id }) => id)).toEqual([still]);
    expect(store.getState().outbox.waiting).toEqual([]);
  });

  it('go on from where an earlier try broke off, and from the beginning where that is gone', async () => {
    await keepPhoto('ottilie', picture())(store.dispatch);
    const received = (body: unknown) => (url: string) =>
      Promise.resolve(url.endsWith('/received') ? answer(200, body) : answer(503));
    mockBeginnings.length = 0;
    fetched().mockRejectedValueOnce(new TypeError('failed'));
    await sendEverythingKept('ottilie')(store.dispatch);
    fetched().mockImplementation(received({ bytes: 2, whole: false }));
    await sendEverythingKept('ottilie')(store.dispatch);
    fetched().mockReset().mockResolvedValueOnce(answer(404)).mockResolvedValueOnce(answer(503));
    await sendEverythingKept('ottilie')(store.dispatch);
    expect(mockBeginnings).toEqual([0, 2, 0]);
    fetched()
      .mockReset()
      .mockResolvedValueOnce(answer(200, { bytes: 2, whole: false }))
      .mockResolvedValueOnce(answer(416))
      .mockResolvedValueOnce(answer(201));
    expect(await sendEverythingKept('ottilie')(store.dispatch)).toBe('done');
    expect(mockBeginnings).toEqual([0, 2, 0, 2, 0]);
    expect(await onDevice()).toEqual([]);
  });

  it('are not sent again when only the answer was lost', async () => {
    await keepPhoto('ottilie', picture())(store.dispatch);
    fetched().mockRejectedValueOnce(new TypeError('failed'));
    await sendEverythingKept('ottilie')(store.dispatch);
    mockBeginnings.length = 0;
    fetched().mockResolvedValueOnce(answer(200, { bytes: 0, whole: true }));
    expect(await sendEverythingKept('ottilie')(store.dispatch)).toBe('done');
    expect([mockBeginnings, await onDevice()]).toEqual([[], []]);
  });

  it('of another account are never sent', async () => {
    await keepPhoto('ottilie', picture())(store.dispatch);
    await sendEverythingKept('juno')(store.dispatch);
    expect(fetched()).not.toHaveBeenCalled();
  });
});

describe('what was done without a network', () => {
  const occasion = { method: 'PUT' as const, path: '/occasions/o1', body: { name: 'Walk-ins' }, words: 'Occasion' };
  const requests = async () => (await (await deviceStore()).getAll('requests')).map((r) => r.path);

  it('waits on the device, and goes out in order with the photographs taken in between', async () => {
    fetched().mockRejectedValue(new TypeError('failed'));
    expect(await sendOrKeep('ottilie', occasion)(store.dispatch)).toBe('tryLater');
    const photo = await keepPhoto('ottilie', { ...picture(), occasionId: 'o1' })(store.dispatch);
    await keepForLater('ottilie', { ...occasion, path: '/occasions/o2' })(store.dispatch);
    const reloaded = createStore();
    await findKeptRequests('ottilie')(reloaded.dispatch);
    expect(reloaded.getState().outbox.waiting.map((r) => r.path)).toEqual(['/occasions/o1', '/occasions/o2']);

    fetched().mockReset().mockResolvedValue(answer(204));
    expect(await sendEverythingKept('ottilie')(reloaded.dispatch)).toBe('done');
    const sent = fetched().mock.calls.map(([url]) => String(url).replace('/api/v1', '').split('?')[0]);
    expect(sent).toEqual(['/occasions/o1', `/photos/${photo}`, '/occasions/o2']);
    expect(String(fetched().mock.calls[1]![0])).toContain('occasion=o1');
    expect([await requests(), reloaded.getState().outbox.waiting]).toEqual([[], []]);
  });

  it('is told at once when it is refused, and not kept', async () => {
    fetched().mockResolvedValue(
      answer(422, { type: 'about:blank', title: 'x', status: 422, detail: 'No name.', code: 'x' }),
    );
    expect(await sendOrKeep('ottilie', occasion)(store.dispatch)).toEqual({ refusal: 'No name.' });
    expect(await requests()).toEqual([]);
  });

  it('stays with the reason when it is refused later', async () => {
    await keepForLater('ottilie', occasion)(store.dispatch);
    fetched().mockResolvedValue(
      answer(409, { type: 'about:blank', title: 'x', status: 409, detail: 'Known already.', code: 'x' }),
    );
    await sendEverythingKept('ottilie')(store.dispatch);
    expect(store.getState().outbox.waiting).toMatchObject([{ refusal: 'Known already.' }]);
    expect(await requests()).toEqual(['/occasions/o1']);
  });
});

describe('the same file a second time', () => {
  it('is sent all the same when the person says so', async () => {
    const id = await keepPhoto('ottilie', picture('card.jpg'))(store.dispatch);
    fetched()
      .mockResolvedValueOnce(
        answer(409, { type: 'about:blank', title: 'x', status: 409, detail: 'Sent already.', code: 'same-file' }),
      )
      .mockResolvedValueOnce(answer(201));
    await sendEverythingKept('ottilie')(store.dispatch);
    expect(store.getState().capture.waiting).toMatchObject([{ id, refusal: 'Sent already.' }]);
    await sendAnyway(id)(store.dispatch);
    await sendEverythingKept('ottilie')(store.dispatch);
    const asked = fetched().mock.calls.map(([url]) => new URL(String(url), 'http://x').searchParams.get('file'));
    expect(asked).toEqual(['1', null]);
    expect(await onDevice()).toEqual([]);
  });
});

describe('something that goes wrong at the server each time', () => {
  const filing = { method: 'POST' as const, path: '/people', body: {}, words: 'File Ann Bell', cardId: 'c1' };
  const textOf = (cardId: string) => ({
    method: 'PUT' as const,
    path: `/cards/${cardId}/text`,
    body: { text: '📞' },
    words: 'A pasted text',
  });
  const BROKEN = '01900000-0000-7000-8000-0000000000c1';

  it('holds up nothing but what is about the same card, and is set aside with a word after a few tries', async () => {
    await keepForLater('ottilie', textOf(BROKEN))(store.dispatch);
    await keepForLater('ottilie', { ...filing, cardId: BROKEN })(store.dispatch);
    const photo = await keepPhoto('ottilie', picture())(store.dispatch);
    await keepForLater('ottilie', filing)(store.dispatch);
    fetched().mockImplementation((url: unknown) => Promise.resolve(answer(String(url).includes(BROKEN) ? 500 : 201)));
    expect(await sendEverythingKept('ottilie')(store.dispatch)).toBe('tryLater');
    expect(await onDevice()).not.toContain(photo);
    expect(store.getState().outbox.waiting.map(({ path, cardId }) => [path, cardId])).toEqual([
      [`/cards/${BROKEN}/text`, null],
      ['/people', BROKEN],
    ]);
    // Tried again, also after a reload, but not for ever.
    for (let i = 0; i < 3; i++) await sendEverythingKept('ottilie')(store.dispatch);
    expect(store.getState().outbox.waiting[0]!.refusal).toMatch(/send it again later, or remove it/);
    // What is about the same card goes its own way then.
    expect(store.getState().outbox.waiting).toHaveLength(1);
    fetched().mockClear();
    expect(await sendEverythingKept('ottilie')(store.dispatch)).toBe('done');
    expect(fetched()).not.toHaveBeenCalled();
    fetched().mockResolvedValue(answer(201));
    await sendRequestAgain(store.getState().outbox.waiting[0]!.id)(store.dispatch);
    expect(await sendEverythingKept('ottilie')(store.dispatch)).toBe('done');
    expect(store.getState().outbox.waiting).toEqual([]);
  });

  it('is a photograph among others as well', async () => {
    const broken = await keepPhoto('ottilie', picture())(store.dispatch);
    const whole = await keepPhoto('ottilie', picture())(store.dispatch);
    fetched().mockImplementation((url: unknown) => Promise.resolve(answer(String(url).includes(broken) ? 500 : 201)));
    for (let i = 0; i < 4; i++) await sendEverythingKept('ottilie')(store.dispatch);
    expect(await onDevice()).toEqual([broken]);
    expect(store.getState().capture.waiting).toMatchObject([{ id: broken, refusal: expect.stringMatching(/several/) }]);
    expect(await onDevice()).not.toContain(whole);
  });
});

describe('a page that is closed while a filing can still be undone', () => {
  it('sends it on its way, and the next visit no longer offers to take it back', async () => {
    const held = { method: 'POST' as const, path: '/people', body: { cardId: 'c1' }, words: 'File Ann', cardId: 'c1' };
    await keepForLater('ottilie', { ...held, notBefore: Date.now() + 60_000 })(store.dispatch);
    fetched().mockResolvedValue(answer(201));
    sendHeldAtClosing(store.getState().outbox.waiting);
    expect(fetched()).toHaveBeenCalledWith(
      '/api/v1/people',
      expect.objectContaining({ method: 'POST', keepalive: true }),
    );
    const next = createStore();
    await findKeptRequests('ottilie')(next.dispatch);
    expect(next.getState().outbox.waiting[0]!.notBefore).toBeUndefined();
    // It may not have arrived: it is sent once more, and is the same filing.
    expect(await sendEverythingKept('ottilie')(next.dispatch)).toBe('done');
    expect(next.getState().outbox.waiting).toEqual([]);
  });
});
