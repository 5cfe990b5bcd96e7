import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

interface ReadingState {
  /** A card read while somebody looked on, until something changes: likely the next one to be opened. */
  justRead: string | null;
}

export const readingSlice = createSlice({
  name: 'reading',
  initialState: { justRead: null } as ReadingState,
  reducers: {
    cardRead(state, { payload }: PayloadAction<string | null>) {
      state.justRead = payload;
    },
  },
});

export const selectJustRead = ({ reading }: { reading: ReadingState }): string | null => reading.justRead;
