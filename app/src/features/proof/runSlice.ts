import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

interface RunState {
  ids: string[];
  /** Which part of the tray they are of. */
  of: string;
}

/** The cards that are proved one after another, in the order of the part of the tray that was looked at when the first was opened. */
export const runSlice = createSlice({
  name: 'run',
  initialState: { ids: [], of: '' } as RunState,
  reducers: {
    /** Begins a new run, unless the card is in the one at hand; cards that came in since stand at its end. */
    runOpened(
      state,
      { payload: { cardId, tray, of } }: PayloadAction<{ cardId: string; tray: readonly string[]; of: string }>,
    ) {
      if (state.of !== of || !state.ids.includes(cardId))
        return { ids: tray.includes(cardId) ? [...tray] : [cardId, ...tray], of };
      state.ids.push(...tray.filter((id) => !state.ids.includes(id)));
      return undefined;
    },
  },
});
