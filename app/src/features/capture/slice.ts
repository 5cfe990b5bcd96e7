import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** A photograph that the server does not have yet; its bytes are in the device store. */
export interface WaitingPhoto {
  id: string;
  takenAt: string;
  /** Name of the picked file, empty for one taken with the camera. */
  name: string;
  /** Why the server would not take it, in words; null while it is still to be sent. */
  refusal: string | null;
}

interface CaptureState {
  waiting: WaitingPhoto[];
  /** The photograph on its way, and how much of it has arrived, 0–1. */
  sending: { id: string; share: number } | null;
  /** The photograph that was the last to arrive safely at the server from here. */
  lastSent: string | null;
  /** The occasion that what comes next belongs to. */
  occasionId: string | null;
}

export const captureSlice = createSlice({
  name: 'capture',
  initialState: { waiting: [], sending: null, lastSent: null, occasionId: null } as CaptureState,
  reducers: {
    photosFound(state, { payload }: PayloadAction<WaitingPhoto[]>) {
      state.waiting = payload;
    },
    photoKept(state, { payload }: PayloadAction<WaitingPhoto>) {
      state.waiting.push(payload);
    },
    photoSending(state, { payload }: PayloadAction<CaptureState['sending']>) {
      state.sending = payload;
    },
    photoSent(state, { payload }: PayloadAction<string>) {
      state.waiting = state.waiting.filter((photo) => photo.id !== payload);
      state.lastSent = payload;
    },
    photoRefused(state, { payload }: PayloadAction<{ id: string; refusal: string | null }>) {
      const photo = state.waiting.find(({ id }) => id === payload.id);
      if (photo) photo.refusal = payload.refusal;
    },
    photoForgotten(state, { payload }: PayloadAction<string>) {
      state.waiting = state.waiting.filter((photo) => photo.id !== payload);
    },
    occasionSet(state, { payload }: PayloadAction<string | null>) {
      state.occasionId = payload;
    },
  },
});

export interface WithCapture {
  capture: CaptureState;
}

export const selectWaitingPhotos = (state: WithCapture): WaitingPhoto[] => state.capture.waiting;
export const selectSending = (state: WithCapture) => state.capture.sending;
/** Whether a photograph is being sent from here at this moment, or has just been. */
export const isSentFromHere = ({ capture }: WithCapture, photoId: string): boolean =>
  capture.sending?.id === photoId || capture.lastSent === photoId;
export const selectOccasionId = (state: WithCapture): string | null => state.capture.occasionId;
