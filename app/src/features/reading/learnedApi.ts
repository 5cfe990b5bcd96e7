import type { LearnedList, PastPictures, PictureSettings, ReadingSettings } from '@dossier/contract';
import { api } from '@/lib/api';

const learnedApi = api.injectEndpoints({
  endpoints: (build) => ({
    learned: build.query<LearnedList, void>({ query: () => '/learned', providesTags: ['Learned'] }),
    revokeLearned: build.mutation<void, { id: string; revoked: boolean }>({
      query: ({ id, revoked }) => ({ url: `/learned/${id}`, method: 'PATCH', body: { revoked } }),
      invalidatesTags: ['Learned'],
    }),
    changePictureSettings: build.mutation<void, PictureSettings>({
      query: (body) => ({ url: '/picture-settings', method: 'PUT', body }),
      invalidatesTags: ['Session'],
    }),
    previewPictureSettings: build.mutation<PastPictures, PictureSettings>({
      query: (body) => ({ url: '/picture-settings/preview', method: 'POST', body }),
    }),
    keepPastPictures: build.mutation<void, void>({
      query: () => ({ url: '/picture-settings/past', method: 'DELETE' }),
      invalidatesTags: ['Session'],
    }),
    changeOwnFields: build.mutation<void, string[]>({
      query: (names) => ({ url: '/own-fields', method: 'PUT', body: { names } }),
      invalidatesTags: ['Session'],
    }),
    changeReadingSettings: build.mutation<void, ReadingSettings>({
      query: (body) => ({ url: '/reading-settings', method: 'PUT', body }),
      invalidatesTags: ['Session'],
    }),
  }),
});

export const {
  useChangePictureSettingsMutation,
  usePreviewPictureSettingsMutation,
  useKeepPastPicturesMutation,
  useLearnedQuery,
  useRevokeLearnedMutation,
  useChangeReadingSettingsMutation,
  useChangeOwnFieldsMutation,
} = learnedApi;
