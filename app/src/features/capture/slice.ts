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

/** A picture taken in this visit, as the camera shows it. */
export interface Shot {
  id: string;
  /** A small picture, as a data URL. */
  thumbnail: string;
  /** It is the back of the one before. */
  isBack: boolean;
}

/** So many of the last pictures are shown beside the camera. */
const SHOWN_SHOTS = 8;

interface CaptureState {
  waiting: WaitingPhoto[];
  /** The photograph on its way, and how much of it has arrived, 0–1. */
  sending: { id: string; share: number } | null;
  /** The photograph that was the last to arrive safely at the server from here. */
  lastSent: string | null;
  /** The occasion that what comes next belongs to. */
  occasionId: string | null;
  /** The last pictures, the latest last, and how many there were in all. */
  shots: Shot[];
  shotCount: number;
  /** The next picture is the back of the last front. */
  backNext: boolean;
}

export const captureSlice = createSlice({
  name: 'capture',
  initialState: {
    waiting: [],
    sending: null,
    lastSent: null,
    occasionId: null,
    shots: [],
    shotCount: 0,
    backNext: false,
  } as CaptureState,
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
    shotTaken(state, { payload }: PayloadAction<Shot>) {
      state.shots = [...state.shots, payload].slice(-SHOWN_SHOTS);
      state.shotCount++;
      state.backNext = false;
    },
    /** Pictures that came otherwise: picked files. */
    othersKept(state, { payload }: PayloadAction<number>) {
      state.shotCount += payload;
    },
    /** The last picture is to be taken again. */
    shotTakenBack(state) {
      const last = state.shots.pop();
      if (last) state.shotCount--;
      if (last?.isBack) state.backNext = true;
    },
    backAwaited(state, { payload }: PayloadAction<boolean>) {
      state.backNext = payload;
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
export const selectShots = (state: WithCapture): Shot[] => state.capture.shots;
export const selectOccasionId = (state: WithCapture): string | null => state.capture.occasionId;
