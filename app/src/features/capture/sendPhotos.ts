import { PhotoReceived } from '@dossier/contract';
import type { Dispatch } from '@reduxjs/toolkit';
import { v7 as uuidv7 } from 'uuid';
import { API, api, TRAY_ROWS } from '@/lib/api';
import { deviceStore, type KeptPhoto, type KeptRequest } from '@/lib/deviceStore';
import { afterFailure, forgetRequest, meaningOf, sendKept, type Answer, type SendOutcome, type WithOutbox } from '@/lib/outbox'; // prettier-ignore
import { forgetPhoto } from './keepPhoto';
import { captureSlice, type WithCapture } from './slice';
import { upload } from './upload';

const { photoRefused, photoSending, photoSent } = captureSlice.actions;

/**
 * Sends everything kept for this account in the order in which it was made, one at a time: photographs
 * and requests; each leaves the device only after the server has confirmed it. One that goes wrong holds up only what is about the
 * same card. Only one tab sends at a time.
 * @returns `tryLater` when something is still to be sent
 */
export const sendEverythingKept =
  (accountId: string) =>
  (dispatch: Dispatch): Promise<'done' | 'tryLater'> => {
    const sendAll = async (): Promise<'done' | 'tryLater'> => {
      const store = await deviceStore();
      const photos = await store.getAllFromIndex('photos', 'byAccount', accountId);
      const requests = await store.getAllFromIndex('requests', 'byAccount', accountId);
      const steps = [
        ...photos.map((photo) => ({ kept: photo, send: () => sendPhoto(photo)(dispatch), stale: [TRAY_ROWS] })),
        ...requests.map((request) => ({ kept: request, send: () => sendKept(request)(dispatch), stale: ANYTHING })),
      ];
      const toSend = steps.filter(({ kept }) => kept.refusal === null);
      const failed = new Set<string>();
      for (const { kept, send, stale } of toSend.sort((a, b) => (a.kept.id < b.kept.id ? -1 : 1))) {
        const about = aboutOf(kept);
        if (failed.has(about)) continue;
        const outcome = await send();
        if (outcome === 'tryLater') return 'tryLater';
        if (outcome === 'failed') failed.add(about);
        else dispatch(api.util.invalidateTags([...stale]));
      }
      return failed.size > 0 ? 'tryLater' : 'done';
    };
    return 'locks' in navigator ? navigator.locks.request('dossier-send-photos', sendAll) : sendAll();
  };

/** What a kept thing is about: a card made here has its own id in the path of the request that makes it. */
const aboutOf = (kept: KeptPhoto | KeptRequest): string =>
  'bytes' in kept ? kept.id : (kept.cardId ?? /\/cards\/([0-9a-f-]{36})\//.exec(kept.path)?.[1] ?? kept.id);

/** What another tab has sent in the meantime is no longer shown here as waiting. */
export const forgetWhatIsGone =
  () =>
  async (dispatch: Dispatch, getState: () => WithCapture & WithOutbox): Promise<void> => {
    // Everything shown was written to the device store before it was shown.
    const { capture, outbox } = getState();
    const store = await deviceStore();
    for (const { id } of capture.waiting)
      if ((await store.getKey('photos', id)) === undefined) await forgetPhoto(id)(dispatch);
    for (const { id } of outbox.waiting)
      if ((await store.getKey('requests', id)) === undefined) await forgetRequest(id)(dispatch);
  };

/** A request may have changed any of these. */
const ANYTHING = ['Tray', 'Occasion', 'Person', 'Card'] as const;

const sendPhoto =
  (photo: KeptPhoto) =>
  async (dispatch: Dispatch): Promise<SendOutcome> => {
    const store = await deviceStore();
    // Another tab, or the person, may have taken it off in the meantime.
    if ((await store.getKey('photos', photo.id)) === undefined) return 'done';
    dispatch(photoSending({ id: photo.id, share: 0 }));
    const answer = await send(photo, (share) => dispatch(photoSending({ id: photo.id, share })));
    dispatch(photoSending(null));
    if (answer === 'tryLater') return 'tryLater';
    if (answer === 'failed') {
      const after = afterFailure(photo);
      await store.put('photos', after);
      if (after.refusal) dispatch(photoRefused({ id: photo.id, refusal: after.refusal }));
      return after.refusal ? 'done' : 'failed';
    }
    if (answer === 'sent') {
      await store.delete('photos', photo.id);
      dispatch(photoSent(photo.id));
    } else {
      await store.put('photos', { ...photo, refusal: answer.refusal });
      dispatch(photoRefused({ id: photo.id, refusal: answer.refusal }));
    }
    return 'done';
  };

/** Photographs on whose way the line broke: some of them may be at the server. What an earlier visit left may be so too. */
const brokenOff = new Set<string>();
const VISIT = uuidv7();

async function send(photo: KeptPhoto, onProgress: (share: number) => void): Promise<Answer> {
  const address = `${API}/photos/${photo.id}`;
  const from = brokenOff.has(photo.id) || photo.id < VISIT ? await beginningOf(address) : 0;
  if (from === 'whole') return 'sent';
  const query = new URLSearchParams({ takenAt: photo.takenAt });
  if (photo.occasionId) query.set('occasion', photo.occasionId);
  if (photo.backOf) query.set('backOf', photo.backOf);
  if (photo.name && !photo.again) query.set('file', '1');
  const sendFrom = (place: number) => upload(`${address}?${query}`, photo.bytes, onProgress, place);
  const begun = from > 0 && from < photo.bytes.size;
  const response = await sendFrom(begun ? from : 0);
  if (!response) brokenOff.add(photo.id);
  // What was there may have been cleared away since.
  const answer = begun && response?.status === NOT_THERE ? await sendFrom(0) : response;
  return meaningOf(answer, 'This photograph was not accepted. Take it again.');
}

/** Range Not Satisfiable. */
const NOT_THERE = 416;

/** How much of a photograph an earlier try has brought there; `whole` when only the answer was lost. */
async function beginningOf(address: string): Promise<number | 'whole'> {
  const response = await fetch(`${address}/received`).catch(() => undefined);
  const received = response?.ok ? PhotoReceived.safeParse(await response.json().catch(() => undefined)) : undefined;
  if (!received?.success) return 0;
  return received.data.whole ? 'whole' : received.data.bytes;
}
