import type { TrayQuery } from '@dossier/contract';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { ListPosition } from '@/ui';

/** Which part of the tray is looked at; everything without one. */
export type TrayView = Partial<Pick<TrayQuery, 'occasion' | 'show' | 'mine' | 'order'>>;

/** Where somebody was in the tray. */
export interface TrayPlace {
  view: TrayView;
  /** How far it was scrolled; not at all without. */
  position?: ListPosition;
}

interface TrayState {
  place: TrayPlace;
  /** A card read while somebody looked on, until something changes: likely the next one to be opened. */
  justRead: string | null;
}

export const traySlice = createSlice({
  name: 'tray',
  initialState: { justRead: null, place: { view: {} } } as TrayState,
  reducers: {
    cardRead(state, { payload }: PayloadAction<string | null>) {
      state.justRead = payload;
    },
    /** Another part of the tray is looked at, from its beginning. */
    viewChosen(state, { payload }: PayloadAction<TrayView>) {
      state.place = { view: payload };
    },
    scrolledTo(state, { payload }: PayloadAction<ListPosition>) {
      state.place.position = payload;
    },
  },
});

export const selectJustRead = ({ tray }: { tray: TrayState }): string | null => tray.justRead;
export const selectTrayPlace = ({ tray }: { tray: TrayState }): TrayPlace => tray.place;
