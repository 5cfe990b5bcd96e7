import type { FileCard, Filed, PeoplePage, Person } from '@dossier/contract';
import { api } from '@/lib/api';

export const peopleApi = api.injectEndpoints({
  endpoints: (build) => ({
    people: build.infiniteQuery<PeoplePage, string, string | null>({
      query: ({ queryArg: q, pageParam }) => ({
        url: '/people',
        params: { q, ...(pageParam && { cursor: pageParam }) },
      }),
      infiniteQueryOptions: { initialPageParam: null, getNextPageParam: (last) => last.next },
      providesTags: ['Person'],
    }),
    person: build.query<Person, string>({ query: (id) => `/people/${id}`, providesTags: ['Person'] }),
    fileCard: build.mutation<Filed, { key: string; body: FileCard }>({
      query: ({ key, body }) => ({ url: '/people', method: 'POST', body, headers: { 'Idempotency-Key': key } }),
      invalidatesTags: (result) => (result ? ['Tray', 'Person', 'Card'] : []),
    }),
  }),
});

export const { usePeopleInfiniteQuery, usePersonQuery, useFileCardMutation } = peopleApi;
