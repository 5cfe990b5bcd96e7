import { Problem } from '@dossier/contract';
import type { Dispatch } from '@reduxjs/toolkit';
import { API, api } from '@/lib/api';
import { deviceStore, type KeptPhoto } from '@/lib/deviceStore';
import { captureSlice } from './slice';

const { photoRefused, photoSent } = captureSlice.actions;

/** Answers after which sending the same bytes again is of no use. */
const REFUSALS = new Set([400, 409, 413, 415, 422]);

export type SendOutcome = 'done' | 'tryLater';

/**
 * Sends every photograph kept for this account, oldest first, one at a time; each leaves the device
 * only after the server has confirmed it. Only one tab sends at a time.
 */
export const sendKeptPhotos =
  (accountId: string) =>
  (dispatch: Dispatch): Promise<SendOutcome> => {
    const sendAll = async (): Promise<SendOutcome> => {
      const store = await deviceStore();
      const kept = (await store.getAllFromIndex('photos', 'byAccount', accountId)).filter(
        (photo) => photo.refusal === null,
      );
      for (const photo of kept.sort((a, b) => (a.id < b.id ? -1 : 1))) {
        const answer = await send(photo);
        if (answer === 'tryLater') return 'tryLater';
        if (answer === 'sent') {
          await store.delete('photos', photo.id);
          dispatch(photoSent(photo.id));
          dispatch(api.util.invalidateTags(['Tray']));
        } else {
          await store.put('photos', { ...photo, refusal: answer.refusal });
          dispatch(photoRefused({ id: photo.id, refusal: answer.refusal }));
        }
      }
      return 'done';
    };
    return 'locks' in navigator ? navigator.locks.request('dossier-send-photos', sendAll) : sendAll();
  };

async function send(photo: KeptPhoto): Promise<'sent' | 'tryLater' | { refusal: string }> {
  const response = await fetch(`${API}/photos/${photo.id}?takenAt=${encodeURIComponent(photo.takenAt)}`, {
    method: 'PUT',
    body: photo.bytes,
    headers: { 'Content-Type': photo.bytes.type || 'application/octet-stream' },
  }).catch(() => undefined);
  if (response?.ok) return 'sent';
  if (!response || !REFUSALS.has(response.status)) return 'tryLater';
  const problem = Problem.safeParse(await response.json().catch(() => undefined));
  return { refusal: problem.success ? problem.data.detail : 'This photograph was not accepted. Take it again.' };
}
