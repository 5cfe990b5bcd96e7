import type { OwnPlaceFields, OwnPlaces, PeopleMap, Towns } from '@dossier/contract';
import { api } from '@/lib/api';

export const mapApi = api.injectEndpoints({
  endpoints: (build) => ({
    /** By the address of a list. */
    peopleMap: build.query<PeopleMap, string>({
      query: (address) => `/people/map${address && `?${address}`}`,
      providesTags: ['Person', 'Place'],
      // Large, and soon had again.
      keepUnusedDataFor: 30,
    }),
    towns: build.query<Towns, string>({ query: (q) => ({ url: '/towns', params: { q } }) }),
    ownPlaces: build.query<OwnPlaces, void>({ query: () => '/own-places', providesTags: ['Place'] }),
    sayWhere: build.mutation<void, OwnPlaceFields>({
      query: (body) => ({ url: '/own-places', method: 'PUT', body }),
      invalidatesTags: ['Place'],
    }),
    forgetPlace: build.mutation<void, string>({
      query: (id) => ({ url: `/own-places/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Place'],
    }),
  }),
});

export const { useForgetPlaceMutation, useOwnPlacesQuery, usePeopleMapQuery, useSayWhereMutation, useTownsQuery } = mapApi; // prettier-ignore
