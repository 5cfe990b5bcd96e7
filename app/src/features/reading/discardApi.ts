import { api } from '@/lib/api';

const discardApi = api.injectEndpoints({
  endpoints: (build) => ({
    discardPhoto: build.mutation<void, string>({
      query: (photoId) => ({ url: `/photos/${photoId}`, method: 'DELETE' }),
      invalidatesTags: ['Tray'],
    }),
  }),
});

export const { useDiscardPhotoMutation } = discardApi;
