import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** The cards that are proved one after another, in the order of the tray when the first was opened. */
export const runSlice = createSlice({
  name: 'run',
  initialState: { ids: [] as string[] },
  reducers: {
    /** Begins a new run, unless the card is in the one at hand; cards that came in since stand at its end. */
    runOpened(state, { payload: { cardId, tray } }: PayloadAction<{ cardId: string; tray: readonly string[] }>) {
      if (!state.ids.includes(cardId)) state.ids = tray.includes(cardId) ? [...tray] : [cardId, ...tray];
      else state.ids.push(...tray.filter((id) => !state.ids.includes(id)));
    },
  },
});
