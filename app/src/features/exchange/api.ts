import type { SharedPerson, ShareMade, Shares } from '@dossier/contract';
import { api } from '@/lib/api';

export const exchangeApi = api.injectEndpoints({
  endpoints: (build) => ({
    shares: build.query<Shares, string>({ query: (personId) => `/people/${personId}/shares`, providesTags: ['Share'] }),
    makeShare: build.mutation<ShareMade, { personId: string; days: number }>({
      query: ({ personId, days }) => ({ url: `/people/${personId}/shares`, method: 'POST', body: { days } }),
      invalidatesTags: ['Share', 'Person'],
    }),
    endShare: build.mutation<void, string>({
      query: (id) => ({ url: `/shares/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Share', 'Person'],
    }),
    openedShare: build.query<SharedPerson, string>({
      query: (token) => ({ url: '/shares/opened', method: 'POST', body: { token } }),
    }),
  }),
});

export const { useEndShareMutation, useMakeShareMutation, useOpenedShareQuery, useSharesQuery } = exchangeApi;
