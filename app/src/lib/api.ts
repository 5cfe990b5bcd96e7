import { createApi, fetchBaseQuery, type FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import { Problem } from '@dossier/contract';

export const API = '/api/v1';

const request = fetchBaseQuery({ baseUrl: API });

/** Anything refused for want of a session has the session asked for again: its answer leads to the sign-in page. */
const requestAsSomebody: typeof request = async (call, store, extra) => {
  const answer = await request(call, store, extra);
  if (answer.error?.status === 401 && store.endpoint !== 'session' && store.endpoint !== 'signIn') {
    store.dispatch(api.util.invalidateTags(['Session']));
  }
  return answer;
};

/** The one API; each room injects its endpoints. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: requestAsSomebody,
  tagTypes: ['Session', 'Tray', 'Card', 'Person', 'Learned', 'Occasion', 'Photo'],
  endpoints: () => ({}),
});

/** Parts of what the tag `Tray` stands for: its rows, how far the batch is, which cards are there twice. */
export const TRAY_ROWS = { type: 'Tray', id: 'rows' } as const;
export const TRAY_BATCH = { type: 'Tray', id: 'batch' } as const;
export const TRAY_TWINS = { type: 'Tray', id: 'twins' } as const;

/** There was no answer: no network, or no server. */
export const isUnreachable = (error: unknown): boolean =>
  ['FETCH_ERROR', 'TIMEOUT_ERROR'].includes(String((error as Partial<FetchBaseQueryError> | undefined)?.status));

/** What went wrong, in words for the person at the screen. */
export function problemText(error: unknown): string {
  const { data } = (error ?? {}) as Partial<FetchBaseQueryError>;
  if (isUnreachable(error)) return 'Dossier cannot be reached. Check the connection and try again.';
  const problem = Problem.safeParse(data);
  return problem.success ? problem.data.detail : 'Something went wrong. Try again in a moment.';
}

export const hasStatus = (error: unknown, status: number): boolean =>
  (error as { status?: unknown } | undefined)?.status === status;
