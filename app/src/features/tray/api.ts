import type {
  BackPairs,
  BacksOfPhoto,
  CardsChange,
  LatestBatch,
  OccasionMove,
  ReadAgain,
  SecondLookRequest,
  SecondLooks,
  Tray,
  TrayRun,
} from '@dossier/contract';
import type { WithCapture } from '@/features/capture';
import { api, TRAY_BATCH, TRAY_ROWS, TRAY_RUN } from '@/lib/api';
import { followTray } from './followTray';
import type { TrayView } from './slice';

export const trayApi = api.injectEndpoints({
  endpoints: (build) => ({
    /** The tray, kept up to date by server-sent events for as long as somebody looks. */
    tray: build.infiniteQuery<Tray, TrayView, string | null>({
      query: ({ pageParam, queryArg }) => ({
        url: '/tray',
        params: { ...queryArg, ...(pageParam && { cursor: pageParam }) },
      }),
      infiniteQueryOptions: { initialPageParam: null, getNextPageParam: (last) => last.next },
      providesTags: [TRAY_ROWS],
      async onCacheEntryAdded(view, { cacheDataLoaded, cacheEntryRemoved, dispatch, getState }) {
        // The whole tray is always looked at, if only to be counted: one line for events is enough.
        if (Object.keys(view).length > 0) return;
        await cacheDataLoaded.catch(() => undefined);
        const stop = followTray({
          dispatch,
          getState: () => getState() as unknown as WithCapture,
          change: (recipe) => {
            for (const shown of trayApi.util.selectCachedArgsForQuery(getState() as never, 'tray'))
              dispatch(trayApi.util.updateQueryData('tray', shown, recipe));
          },
        });
        await cacheEntryRemoved;
        stop();
      },
    }),
    /** The cards that are proved one after another, with nothing but their ids. */
    trayRun: build.query<TrayRun, TrayView>({
      query: (view) => ({ url: '/tray/run', params: view }),
      providesTags: [TRAY_RUN],
    }),
    changeCards: build.mutation<void, CardsChange>({
      query: (body) => ({ url: '/cards', method: 'PATCH', body }),
      invalidatesTags: (_result, _error, { cardIds }) => [
        'Tray',
        'Occasion',
        ...cardIds.map((id) => ({ type: 'Card' as const, id })),
      ],
    }),
    moveToOccasion: build.mutation<void, OccasionMove>({
      query: (body) => ({ url: '/tray/occasion', method: 'PUT', body }),
      invalidatesTags: ['Tray', 'Occasion', 'Card'],
    }),
    readAgain: build.mutation<void, ReadAgain>({
      query: (body) => ({ url: '/cards/read-again', method: 'POST', body }),
      invalidatesTags: ['Tray', 'Card'],
    }),
    latestBatch: build.query<LatestBatch, void>({ query: () => '/batches/latest', providesTags: [TRAY_BATCH] }),
    secondLooks: build.query<SecondLooks, void>({
      query: () => '/second-looks',
      providesTags: [{ type: 'Tray', id: 'looks' }],
    }),
    askForSecondLook: build.mutation<void, SecondLookRequest>({
      query: (body) => ({ url: '/second-looks', method: 'POST', body }),
      invalidatesTags: ['Tray', 'Card'],
    }),
    answerSecondLook: build.mutation<void, { cardId: string; answer: string }>({
      query: ({ cardId, answer }) => ({ url: `/cards/${cardId}/second-look/answer`, method: 'PUT', body: { answer } }),
      invalidatesTags: (_result, _error, { cardId }) => ['Tray', { type: 'Card', id: cardId }],
    }),
    secondLooksSeen: build.mutation<void, string[]>({
      query: (ids) => ({ url: '/second-looks/seen', method: 'PUT', body: { ids } }),
      invalidatesTags: ['Tray'],
    }),
    backsOfPhoto: build.query<BacksOfPhoto, string>({
      query: (photoId) => `/photos/${photoId}/backs`,
      providesTags: (result, _error, id) => [
        { type: 'Photo', id },
        { type: 'Photo', id: result?.frontPhotoId },
        'Card',
      ],
    }),
    joinBacks: build.mutation<void, { photoId: string } & BackPairs>({
      query: ({ photoId, pairs }) => ({ url: `/photos/${photoId}/backs`, method: 'PUT', body: { pairs } }),
      invalidatesTags: ['Tray', 'Card'],
    }),
  }),
});

export const {
  useAnswerSecondLookMutation,
  useAskForSecondLookMutation,
  useBacksOfPhotoQuery,
  useChangeCardsMutation,
  useJoinBacksMutation,
  useLatestBatchQuery,
  useMoveToOccasionMutation,
  useReadAgainMutation,
  useSecondLooksQuery,
  useSecondLooksSeenMutation,
  useTrayInfiniteQuery,
  useTrayRunQuery,
} = trayApi;
