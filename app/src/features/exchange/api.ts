import type { ChosenPeople, SharedPerson, ShareMade, Shares, TakeOutColumns } from '@dossier/contract';
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
    takeOutColumns: build.query<TakeOutColumns, ChosenPeople>({
      query: (who) => ({ url: '/people/export/columns', method: 'POST', body: { who } }),
      keepUnusedDataFor: 5,
    }),
    openedShare: build.query<SharedPerson, string>({
      query: (token) => ({ url: '/shares/opened', method: 'POST', body: { token } }),
    }),
  }),
});

export const {
  useEndShareMutation,
  useMakeShareMutation,
  useOpenedShareQuery,
  useSharesQuery,
  useTakeOutColumnsQuery,
} = exchangeApi;
