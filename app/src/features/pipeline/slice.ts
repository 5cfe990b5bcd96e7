import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

interface State {
  /** The lead that was qualified here last, to be taken back. */
  last: { id: string; name: string; opportunityId: string | null } | null;
}

export const pipelineSlice = createSlice({
  name: 'pipeline',
  initialState: { last: null } as State,
  reducers: {
    qualified: (state, { payload }: PayloadAction<State['last']>) => {
      state.last = payload;
    },
  },
});

export const selectLast = (state: { pipeline: State }): State['last'] => state.pipeline.last;
