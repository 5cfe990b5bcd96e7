import { TrayEvent, type CardsChange, type OccasionMove, type Tray, type TrayQuery } from '@dossier/contract';
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
  }),
});

export const { useChangeCardsMutation, useMoveToOccasionMutation, useTrayInfiniteQuery } = readingApi;
