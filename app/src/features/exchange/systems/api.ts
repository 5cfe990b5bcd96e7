import type {
  ChosenPeople,
  Deliveries,
  Destination,
  DestinationFields,
  DestinationNames,
  Destinations,
  Elsewhere,
  HandedOverSample,
  HandOverBegun,
  HandOverMapping,
  HandOverSample,
  HandOverTried,
  MappingVersions,
  OutsideFields,
  TheirsSettled,
} from '@dossier/contract';
import { api } from '@/lib/api';

export type DeliveryState = 'all' | 'waiting' | 'delivered' | 'held';

const systemsApi = api.injectEndpoints({
  endpoints: (build) => ({
    systems: build.query<Destinations, void>({ query: () => '/destinations', providesTags: ['System'] }),
    system: build.query<Destination, string>({ query: (id) => `/destinations/${id}`, providesTags: ['System'] }),
    systemNames: build.query<DestinationNames, void>({ query: () => '/destination-names', providesTags: ['System'] }),
    addSystem: build.mutation<{ id: string }, DestinationFields>({
      query: (body) => ({ url: '/destinations', method: 'POST', body }),
      invalidatesTags: ['System'],
    }),
    changeSystem: build.mutation<void, { id: string; fields: DestinationFields }>({
      query: ({ id, fields }) => ({ url: `/destinations/${id}`, method: 'PUT', body: fields }),
      invalidatesTags: ['System', 'Handing'],
    }),
    removeSystem: build.mutation<void, string>({
      query: (id) => ({ url: `/destinations/${id}`, method: 'DELETE' }),
      invalidatesTags: ['System', 'Elsewhere'],
    }),
    outsideFields: build.query<OutsideFields, { id: string; kind: 'lead' | 'contact' | 'company' }>({
      query: ({ id, kind }) => `/destinations/${id}/fields/${kind}`,
      providesTags: ['System'],
    }),
    mappingVersions: build.query<MappingVersions, string>({
      query: (id) => `/destinations/${id}/mappings`,
      providesTags: ['System'],
    }),
    /** @param over the version that was changed; another one by now is not written over */
    changeMapping: build.mutation<void, { id: string; over: number; mapping: HandOverMapping }>({
      query: ({ id, over, mapping }) => ({
        url: `/destinations/${id}/mapping`,
        params: { over },
        method: 'PUT',
        body: mapping,
      }),
      // What was not saved stays as it is written.
      invalidatesTags: (_result, error) => (error ? [] : ['System']),
    }),
    /** Asks, and changes nothing. */
    sample: build.query<HandedOverSample, { id: string } & HandOverSample>({
      query: ({ id, ...body }) => ({ url: `/destinations/${id}/sample`, method: 'POST', body }),
    }),
    trySystem: build.mutation<HandOverTried, { id: string } & HandOverSample>({
      query: ({ id, ...body }) => ({ url: `/destinations/${id}/try`, method: 'POST', body }),
    }),
    handOver: build.mutation<HandOverBegun, { id: string; who: ChosenPeople }>({
      query: ({ id, who }) => ({ url: `/destinations/${id}/people`, method: 'POST', body: who }),
      invalidatesTags: ['System', 'Handing', 'Elsewhere'],
    }),
    handings: build.infiniteQuery<Deliveries, { destination: string; state: DeliveryState }, string | null>({
      query: ({ queryArg, pageParam }) => ({
        url: '/deliveries',
        params: { ...queryArg, ...(pageParam && { cursor: pageParam }) },
      }),
      infiniteQueryOptions: { initialPageParam: null, getNextPageParam: (last) => last.next },
      providesTags: ['Handing'],
    }),
    repeatHanding: build.mutation<HandOverBegun, string>({
      query: (id) => ({ url: `/deliveries/${id}/repeat`, method: 'POST' }),
      invalidatesTags: ['System', 'Handing', 'Elsewhere'],
    }),
    repeatHeld: build.mutation<HandOverBegun, string>({
      query: (id) => ({ url: `/destinations/${id}/repeat`, method: 'POST' }),
      invalidatesTags: ['System', 'Handing', 'Elsewhere'],
    }),
    elsewhere: build.query<Elsewhere, string>({
      query: (id) => `/people/${id}/elsewhere`,
      providesTags: ['Elsewhere'],
    }),
    settleTheirs: build.mutation<void, { personId: string; destinationId: string } & TheirsSettled>({
      query: ({ personId, destinationId, ...body }) => ({
        url: `/people/${personId}/elsewhere/${destinationId}`,
        method: 'PUT',
        body,
      }),
      invalidatesTags: ['Elsewhere', 'Person'],
    }),
  }),
});

export const {
  useSystemsQuery,
  useSystemQuery,
  useSystemNamesQuery,
  useAddSystemMutation,
  useChangeSystemMutation,
  useRemoveSystemMutation,
  useOutsideFieldsQuery,
  useMappingVersionsQuery,
  useChangeMappingMutation,
  useSampleQuery,
  useTrySystemMutation,
  useHandOverMutation,
  useHandingsInfiniteQuery,
  useRepeatHandingMutation,
  useRepeatHeldMutation,
  useElsewhereQuery,
  useSettleTheirsMutation,
} = systemsApi;
