import type {
  FileCard,
  Filed,
  Matches,
  MatchQuery,
  PeoplePage,
  Person,
  Suggestions,
  SuggestionQuery,
} from '@dossier/contract';
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
    matches: build.query<Matches, MatchQuery>({
      query: (body) => ({ url: '/matches', method: 'POST', body }),
      providesTags: ['Person'],
    }),
    /** Titles and companies that the workspace knows already. */
    suggestions: build.query<Suggestions, SuggestionQuery>({
      query: (params) => ({ url: '/suggestions', params }),
      providesTags: ['Person'],
    }),
    fileCard: build.mutation<Filed, { key: string; body: FileCard }>({
      query: ({ key, body }) => ({ url: '/people', method: 'POST', body, headers: { 'Idempotency-Key': key } }),
      invalidatesTags: (result) => (result ? ['Tray', 'Person', 'Card'] : []),
    }),
  }),
});

export const { useFileCardMutation, useMatchesQuery, usePeopleInfiniteQuery, usePersonQuery, useSuggestionsQuery } =
  peopleApi;
