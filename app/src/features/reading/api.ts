import {
  TrayEvent,
  type BackPairs,
  type BacksOfPhoto,
  type CardsChange,
  type LatestBatch,
  type OccasionMove,
  type ReadAgain,
  type SecondLookRequest,
  type SecondLooks,
  type Tray,
  type TrayQuery,
} from '@dossier/contract';
import { API, api } from '@/lib/api';

/** Which part of the tray is looked at; everything without one. */
export type TrayView = Partial<Pick<TrayQuery, 'occasion' | 'show'>>;

export const readingApi = api.injectEndpoints({
  endpoints: (build) => ({
    /** The tray, kept up to date by server-sent events for as long as somebody looks. */
    tray: build.infiniteQuery<Tray, TrayView, string | null>({
      query: ({ pageParam, queryArg }) => ({
        url: '/tray',
        params: { ...queryArg, ...(pageParam && { cursor: pageParam }) },
      }),
      infiniteQueryOptions: { initialPageParam: null, getNextPageParam: (last) => last.next },
      providesTags: ['Tray'],
      async onCacheEntryAdded(_argument, { cacheDataLoaded, cacheEntryRemoved, dispatch, updateCachedData }) {
        await cacheDataLoaded.catch(() => undefined);
        const source = new EventSource(`${API}/tray/events`);
        const refresh = () => dispatch(api.util.invalidateTags(['Tray', 'Occasion']));
        let lost = false;
        source.onmessage = ({ data }: MessageEvent<string>) => {
          const event = TrayEvent.safeParse(JSON.parse(data));
          if (!event.success) return;
          const { photoId, state, progress } = event.data;
          let known = false;
          if (state === 'reading') {
            updateCachedData((draft) => {
              for (const item of draft.pages.flatMap((page) => page.items)) {
                if (item.id !== photoId) continue;
                known = true;
                item.state = 'reading';
                item.progress = progress;
              }
            });
          }
          if (!known) refresh();
          // Borders set by hand, a back joined: what is on the desk may have been read anew.
          if (state === 'read' || state === 'changed') dispatch(api.util.invalidateTags(['Card', 'Photo']));
        };
        // Whatever happened while the line was down is asked for once it is back.
        source.onerror = () => {
          lost = true;
        };
        source.onopen = () => {
          if (lost) refresh();
          lost = false;
        };
        await cacheEntryRemoved;
        source.close();
      },
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
    latestBatch: build.query<LatestBatch, void>({ query: () => '/batches/latest', providesTags: ['Tray'] }),
    secondLooks: build.query<SecondLooks, void>({ query: () => '/second-looks', providesTags: ['Tray'] }),
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
      providesTags: (_result, _error, id) => [{ type: 'Photo', id }, 'Card'],
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
} = readingApi;
