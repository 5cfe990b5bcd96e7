import type { FilingSettings, PastPictures, PictureSettings, ReadingSettings } from '@dossier/contract';
import { api } from '@/lib/api';

const settingsApi = api.injectEndpoints({
  endpoints: (build) => ({
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
    saveFilingSettings: build.mutation<void, FilingSettings>({
      query: (body) => ({ url: '/filing-settings', method: 'PUT', body }),
      invalidatesTags: ['Session'],
    }),
  }),
});

export const {
  useChangeOwnFieldsMutation,
  useChangePictureSettingsMutation,
  useChangeReadingSettingsMutation,
  useKeepPastPicturesMutation,
  usePreviewPictureSettingsMutation,
  useSaveFilingSettingsMutation,
} = settingsApi;
