import type { Matches, MatchQuery } from '@dossier/contract';
import { api } from '@/lib/api';

const matchingApi = api.injectEndpoints({
  endpoints: (build) => ({
    matches: build.query<Matches, MatchQuery>({
      query: (body) => ({ url: '/matches', method: 'POST', body }),
      providesTags: ['Person'],
    }),
  }),
});

export const { useMatchesQuery } = matchingApi;
