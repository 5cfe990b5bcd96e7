import type {
  ChosenPeople,
  DirectorySettings,
  DirectorySettingsChange,
  FindingsSettled,
  FirmFacts,
  FoundOfMany,
  FoundOfPerson,
  LookUp,
  LookUps,
  Portrait,
} from '@dossier/contract';
import { api } from '@/lib/api';

export const directoryApi = api.injectEndpoints({
  endpoints: (build) => ({
    directorySettings: build.query<DirectorySettings, void>({
      query: () => '/directory-settings',
      providesTags: ['Directory'],
    }),
    setDirectory: build.mutation<void, DirectorySettingsChange>({
      query: (body) => ({ url: '/directory-settings', method: 'PUT', body }),
      invalidatesTags: ['Directory'],
    }),
    lookUp: build.mutation<LookUp, ChosenPeople>({
      query: (who) => ({ url: '/look-ups', method: 'POST', body: { who } }),
      invalidatesTags: ['Finding'],
    }),
    latestLookUp: build.query<LookUps, void>({ query: () => '/look-ups', providesTags: ['Finding'] }),
    lookUpState: build.query<LookUp, string>({ query: (id) => `/look-ups/${id}`, providesTags: ['Finding'] }),
    actOnLookUp: build.mutation<void, { id: string; act: 'stop' | 'go-on' }>({
      query: ({ id, act }) => ({ url: `/look-ups/${id}/${act}`, method: 'POST' }),
      invalidatesTags: ['Finding'],
    }),
    found: build.infiniteQuery<FoundOfMany, void, string | null>({
      query: ({ pageParam }) => `/findings${pageParam ? `?cursor=${pageParam}` : ''}`,
      infiniteQueryOptions: { initialPageParam: null, getNextPageParam: (last) => last.next },
      providesTags: ['Finding'],
    }),
    foundOf: build.query<FoundOfPerson, string>({
      query: (personId) => `/people/${personId}/findings`,
      providesTags: ['Finding'],
    }),
    settleFindings: build.mutation<void, FindingsSettled>({
      query: (body) => ({ url: '/findings/settled', method: 'POST', body }),
      invalidatesTags: ['Finding', 'Person'],
    }),
    firmFacts: build.query<FirmFacts, string>({
      query: (companyId) => `/companies/${companyId}/facts`,
      providesTags: ['Finding'],
    }),
    forgetFact: build.mutation<void, string>({
      query: (id) => ({ url: `/firm-facts/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Finding'],
    }),
    portrait: build.query<Portrait, string>({
      query: (personId) => `/people/${personId}/portrait`,
      providesTags: ['Finding'],
    }),
    forgetPortrait: build.mutation<void, string>({
      query: (personId) => ({ url: `/people/${personId}/portrait`, method: 'DELETE' }),
      invalidatesTags: ['Finding'],
    }),
  }),
});

export const {
  useActOnLookUpMutation,
  useDirectorySettingsQuery,
  useFirmFactsQuery,
  useForgetFactMutation,
  useForgetPortraitMutation,
  useFoundInfiniteQuery,
  useFoundOfQuery,
  useLatestLookUpQuery,
  useLookUpMutation,
  useLookUpStateQuery,
  usePortraitQuery,
  useSetDirectoryMutation,
  useSettleFindingsMutation,
} = directoryApi;
