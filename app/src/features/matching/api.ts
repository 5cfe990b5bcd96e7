import type {
  Duplicates,
  LatestSweep,
  Matches,
  MatchQuery,
  MergedCertain,
  NotSame,
  Sweep,
  TrayTwins,
} from '@dossier/contract';
import { api, TRAY_TWINS } from '@/lib/api';

const matchingApi = api.injectEndpoints({
  endpoints: (build) => ({
    /** Who of the workspace is perhaps the person of these fields. */
    matches: build.query<Matches, MatchQuery>({
      query: (body) => ({ url: '/matches', method: 'POST', body }),
      providesTags: ['Person'],
    }),
    duplicates: build.query<Duplicates, void>({ query: () => '/duplicates', providesTags: ['Person'] }),
    latestSweep: build.query<LatestSweep, void>({ query: () => '/sweeps/latest' }),
    startSweep: build.mutation<Sweep, void>({
      query: () => ({ url: '/sweeps', method: 'POST' }),
      invalidatesTags: ['Person'],
    }),
    cancelSweep: build.mutation<void, void>({
      query: () => ({ url: '/sweeps/latest', method: 'DELETE' }),
      invalidatesTags: ['Person'],
    }),
    mergeCertain: build.mutation<MergedCertain, void>({
      query: () => ({ url: '/duplicates/merge', method: 'POST' }),
      invalidatesTags: ['Person'],
    }),
    notSame: build.mutation<void, NotSame>({
      query: (body) => ({ url: '/not-same', method: 'POST', body }),
      invalidatesTags: ['Person', 'Tray'],
    }),
    trayTwins: build.query<TrayTwins, void>({ query: () => '/tray/twins', providesTags: [TRAY_TWINS] }),
  }),
});

export const {
  useCancelSweepMutation,
  useDuplicatesQuery,
  useLatestSweepQuery,
  useMatchesQuery,
  useMergeCertainMutation,
  useNotSameMutation,
  useStartSweepMutation,
  useTrayTwinsQuery,
} = matchingApi;
