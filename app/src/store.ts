import { combineReducers, configureStore } from '@reduxjs/toolkit';
import { setupListeners } from '@reduxjs/toolkit/query';
import { captureSlice } from '@/features/capture';
import { peopleSlice } from '@/features/people';
import { pipelineSlice } from '@/features/pipeline';
import { proofSlice, runSlice } from '@/features/proof';
import { traySlice } from '@/features/tray';
import { api } from '@/lib/api';
import { outboxSlice } from '@/lib/outbox';

export const createStore = () => {
  const store = configureStore({
    reducer: combineReducers({
      [api.reducerPath]: api.reducer,
      [outboxSlice.name]: outboxSlice.reducer,
      [captureSlice.name]: captureSlice.reducer,
      [proofSlice.name]: proofSlice.reducer,
      [traySlice.name]: traySlice.reducer,
      [runSlice.name]: runSlice.reducer,
      [peopleSlice.name]: peopleSlice.reducer,
      [pipelineSlice.name]: pipelineSlice.reducer,
    }),
    middleware: (defaults) => defaults().concat(api.middleware),
  });
  setupListeners(store.dispatch);
  return store;
};
