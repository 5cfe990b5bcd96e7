import type { Dispatch } from '@reduxjs/toolkit';
import { v7 as uuidv7 } from 'uuid';
import { deviceStore } from '@/lib/deviceStore';
import { captureSlice } from './slice';

const { photoForgotten, photoKept, photosFound } = captureSlice.actions;

/** Writes a photograph to the device store before anything else happens to it. @returns its id */
export const keepPhoto =
  (accountId: string, bytes: Blob, name = '') =>
  async (dispatch: Dispatch): Promise<string> => {
    const photo = { id: uuidv7(), takenAt: new Date().toISOString(), name, refusal: null };
    await (await deviceStore()).put('photos', { ...photo, accountId, bytes });
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

/** Takes a refused photograph off this device. */
export const forgetPhoto =
  (id: string) =>
  async (dispatch: Dispatch): Promise<void> => {
    await (await deviceStore()).delete('photos', id);
    dispatch(photoForgotten(id));
  };
