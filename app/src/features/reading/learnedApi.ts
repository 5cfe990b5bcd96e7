import type { LearnedList } from '@dossier/contract';
import { api } from '@/lib/api';

const learnedApi = api.injectEndpoints({
  endpoints: (build) => ({
    learned: build.query<LearnedList, void>({ query: () => '/learned', providesTags: ['Learned'] }),
    revokeLearned: build.mutation<void, { id: string; revoked: boolean }>({
      query: ({ id, revoked }) => ({ url: `/learned/${id}`, method: 'PATCH', body: { revoked } }),
      invalidatesTags: ['Learned'],
    }),
  }),
});

export const { useLearnedQuery, useRevokeLearnedMutation } = learnedApi;
