import { TrayEvent, type Tray } from '@dossier/contract';
import { API, api } from '@/lib/api';

export const readingApi = api.injectEndpoints({
  endpoints: (build) => ({
    /** The tray, kept up to date by server-sent events for as long as somebody looks. */
    tray: build.infiniteQuery<Tray, void, string | null>({
      query: ({ pageParam }) => ({ url: '/tray', params: pageParam ? { cursor: pageParam } : {} }),
      infiniteQueryOptions: { initialPageParam: null, getNextPageParam: (last) => last.next },
      providesTags: ['Tray'],
      async onCacheEntryAdded(_argument, { cacheDataLoaded, cacheEntryRemoved, dispatch, updateCachedData }) {
        await cacheDataLoaded.catch(() => undefined);
        const source = new EventSource(`${API}/tray/events`);
        const refresh = () => dispatch(api.util.invalidateTags(['Tray']));
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
  }),
});

export const { useTrayInfiniteQuery } = readingApi;
