import type { LearnedList, ReadingSettings } from '@dossier/contract';
import { api } from '@/lib/api';

const learnedApi = api.injectEndpoints({
  endpoints: (build) => ({
    learned: build.query<LearnedList, void>({ query: () => '/learned', providesTags: ['Learned'] }),
    revokeLearned: build.mutation<void, { id: string; revoked: boolean }>({
      query: ({ id, revoked }) => ({ url: `/learned/${id}`, method: 'PATCH', body: { revoked } }),
      invalidatesTags: ['Learned'],
    }),
    changeReadingSettings: build.mutation<void, ReadingSettings>({
      query: (body) => ({ url: '/reading-settings', method: 'PUT', body }),
      invalidatesTags: ['Session'],
    }),
  }),
});

export const { useLearnedQuery, useRevokeLearnedMutation, useChangeReadingSettingsMutation } = learnedApi;
