import { configureStore } from '@reduxjs/toolkit';
import { api } from '@/lib/api';
import { deviceStore } from '@/lib/deviceStore';
import { findKeptPhotos, forgetPhoto, keepPhoto } from './keepPhoto';
import { sendKeptPhotos } from './sendPhotos';
import { captureSlice } from './slice';

const createStore = () =>
  configureStore({ reducer: { [api.reducerPath]: api.reducer, capture: captureSlice.reducer } });
const picture = () => ({ size: 3, type: 'image/jpeg' }) as Blob;
const answer = (status: number, body: unknown = {}) =>
  ({ ok: status < 300, status, json: () => Promise.resolve(body) }) as Response;

let store: ReturnType<typeof createStore>;
const onDevice = async () => (await (await deviceStore()).getAll('photos')).map((p) => p.id);

beforeEach(async () => {
  store = createStore();
  await (await deviceStore()).clear('photos');
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
    expect(await sendKeptPhotos('ottilie')(store.dispatch)).toBe('done');
    expect(fetched().mock.calls.map(([url]) => String(url).split('/').pop()!.split('?')[0])).toEqual(ids);
    expect(await onDevice()).toEqual([]);
    expect(store.getState().capture).toMatchObject({ waiting: [], sent: 2 });
  });

  it.each([
    ['no network', () => fetched().mockRejectedValue(new TypeError('failed'))],
    ['a server in trouble', () => fetched().mockResolvedValue(answer(503))],
    ['a session that has ended', () => fetched().mockResolvedValue(answer(401))],
  ])('stay on it with %s', async (_what, meet) => {
    const id = await keepPhoto('ottilie', picture())(store.dispatch);
    meet();
    expect(await sendKeptPhotos('ottilie')(store.dispatch)).toBe('tryLater');
    expect(await onDevice()).toEqual([id]);
    expect(store.getState().capture.waiting[0]).toMatchObject({ id, refusal: null });
  });

  it('stay with the reason when they are refused, and hold up no other', async () => {
    const refused = await keepPhoto('ottilie', picture(), 'letter.jpg')(store.dispatch);
    await keepPhoto('ottilie', picture())(store.dispatch);
    const problem = {
      type: 'about:blank',
      title: 'Not a picture',
      status: 415,
      detail: 'This file is not a picture.',
      code: 'not-a-picture',
    };
    fetched().mockResolvedValueOnce(answer(415, problem)).mockResolvedValueOnce(answer(201));
    expect(await sendKeptPhotos('ottilie')(store.dispatch)).toBe('done');
    expect(store.getState().capture.waiting).toMatchObject([{ id: refused, refusal: 'This file is not a picture.' }]);
    // Not sent again by itself; gone when the person says so.
    fetched().mockClear();
    await sendKeptPhotos('ottilie')(store.dispatch);
    expect(fetched()).not.toHaveBeenCalled();
    await forgetPhoto(refused)(store.dispatch);
    expect(await onDevice()).toEqual([]);
  });

  it('of another account are never sent', async () => {
    await keepPhoto('ottilie', picture())(store.dispatch);
    await sendKeptPhotos('juno')(store.dispatch);
    expect(fetched()).not.toHaveBeenCalled();
  });
});
