import type { Health, OccasionList, OutlinesChange, PhotoOutlines, PhotosOnTheWay } from '@dossier/contract';
import { api, TRAY_ROWS } from '@/lib/api';

const captureApi = api.injectEndpoints({
  endpoints: (build) => ({
    occasions: build.query<OccasionList, void>({ query: () => '/occasions', providesTags: ['Occasion'] }),
    discardPhoto: build.mutation<void, string>({
      query: (photoId) => ({ url: `/photos/${photoId}`, method: 'DELETE' }),
      invalidatesTags: ['Tray'],
    }),
    changeOutlines: build.mutation<void, { photoId: string } & OutlinesChange>({
      query: ({ photoId, outlines }) => ({ url: `/photos/${photoId}/outlines`, method: 'PUT', body: { outlines } }),
      invalidatesTags: (_result, _error, { photoId }) => ['Tray', { type: 'Photo', id: photoId }],
    }),
    nothingMissed: build.mutation<void, string>({
      query: (photoId) => ({ url: `/photos/${photoId}/perhaps`, method: 'DELETE' }),
      invalidatesTags: (_result, _error, photoId) => ['Tray', { type: 'Photo', id: photoId }],
    }),
    /** @param ids with commas between */
    photosOnTheWay: build.query<PhotosOnTheWay, string>({
      query: (ids) => ({ url: '/photos', params: { ids } }),
      providesTags: [TRAY_ROWS],
    }),
    /** The port where this is served over https; null where it is not. */
    httpsAddress: build.query<number | null, void>({
      query: () => ({ url: '/health', validateStatus: (response) => [200, 503].includes(response.status) }),
      transformResponse: ({ httpsPort }: Health) => httpsPort,
    }),
    photoOutlines: build.query<PhotoOutlines, string>({
      query: (photoId) => `/photos/${photoId}/outlines`,
      providesTags: (_result, _error, id) => [{ type: 'Photo', id }],
    }),
  }),
});

export const {
  useChangeOutlinesMutation,
  useDiscardPhotoMutation,
  useHttpsAddressQuery,
  useNothingMissedMutation,
  useOccasionsQuery,
  usePhotoOutlinesQuery,
  usePhotosOnTheWayQuery,
} = captureApi;
