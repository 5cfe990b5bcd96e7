import type { Dispatch } from '@reduxjs/toolkit';
import { v7 as uuidv7 } from 'uuid';
import { deviceStore, type KeptPhoto } from '@/lib/deviceStore';
import { captureSlice } from './slice';

const { photoForgotten, photoKept, photoRefused, photosFound } = captureSlice.actions;

export interface NewPhoto {
  bytes: Blob;
  /** Name of the picked file; none for a photograph just taken. */
  name?: string;
  occasionId: string | null;
  /** The photograph whose back this is. */
  backOf?: string | null;
}

/** Writes a photograph to the device store before anything else happens to it. @returns its id */
export const keepPhoto =
  (accountId: string, { bytes, name = '', occasionId, backOf = null }: NewPhoto) =>
  async (dispatch: Dispatch): Promise<string> => {
    const photo = { id: uuidv7(), takenAt: new Date().toISOString(), name, refusal: null };
    await (await deviceStore()).put('photos', { ...photo, accountId, bytes, occasionId, backOf });
    dispatch(photoKept(photo));
    return photo.id;
  };

/** Finds what an earlier visit left on this device. */
export const findKeptPhotos =
  (accountId: string) =>
  async (dispatch: Dispatch): Promise<void> => {
    const kept = await (await deviceStore()).getAllFromIndex('photos', 'byAccount', accountId);
    const waiting = kept.map(({ id, takenAt, name, refusal }) => ({ id, takenAt, name, refusal }));
    dispatch(photosFound(waiting.sort((a, b) => (a.id < b.id ? -1 : 1))));
  };

export const keptBytes = async (id: string): Promise<Blob | undefined> =>
  (await (await deviceStore()).get('photos', id))?.bytes;

/** Takes a photograph that is still here off this device. @returns false when it has been sent already */
export const forgetPhoto =
  (id: string) =>
  async (dispatch: Dispatch): Promise<boolean> => {
    const store = await deviceStore();
    const here = (await store.getKey('photos', id)) !== undefined;
    await store.delete('photos', id);
    dispatch(photoForgotten(id));
    return here;
  };

/** A refused photograph is to be sent once more, also when the same file is known already. */
export const sendAnyway =
  (id: string) =>
  async (dispatch: Dispatch): Promise<void> => {
    const store = await deviceStore();
    const photo: KeptPhoto | undefined = await store.get('photos', id);
    if (!photo) return;
    await store.put('photos', { ...photo, refusal: null, failures: 0, again: true });
    dispatch(photoRefused({ id, refusal: null }));
  };
