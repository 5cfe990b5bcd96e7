import type {
  AddressBlock,
  AddressPartsFound,
  AreaRead,
  AreaToRead,
  BackChange,
  DraftChange,
  DraftKept,
  PersonSources,
  ProofCard,
} from '@dossier/contract';
import { api } from '@/lib/api';

export const proofApi = api.injectEndpoints({
  endpoints: (build) => ({
    card: build.query<ProofCard, string>({
      query: (id) => `/cards/${id}`,
      providesTags: (result, _error, id) => [
        { type: 'Card', id },
        { type: 'Photo', id: result?.photoId ?? id },
      ],
    }),
    personSources: build.query<PersonSources, string>({
      query: (id) => `/people/${id}/sources`,
      providesTags: ['Person'],
    }),
    addressParts: build.mutation<AddressPartsFound, AddressBlock>({
      query: (body) => ({ url: '/address-parts', method: 'POST', body }),
    }),
    keepDraft: build.mutation<DraftKept, { cardId: string } & DraftChange>({
      query: ({ cardId, ...body }) => ({ url: `/cards/${cardId}/draft`, method: 'PUT', body }),
    }),
    readArea: build.mutation<AreaRead, { cardId: string } & AreaToRead>({
      query: ({ cardId, ...body }) => ({ url: `/cards/${cardId}/areas`, method: 'POST', body }),
      async onQueryStarted({ cardId }, { dispatch, queryFulfilled }) {
        const { data } = await queryFulfilled.catch(() => ({ data: undefined }));
        if (data?.lines.length) dispatch(api.util.invalidateTags([{ type: 'Card', id: cardId }]));
      },
    }),
    joinBack: build.mutation<void, { id: string } & BackChange>({
      query: ({ id, cardId }) => ({ url: `/cards/${id}/back`, method: 'PUT', body: { cardId } }),
      invalidatesTags: (_result, _error, { id, cardId }) => [
        { type: 'Card', id },
        { type: 'Card', id: cardId },
        'Tray',
      ],
    }),
    takeBackOff: build.mutation<void, string>({
      query: (id) => ({ url: `/cards/${id}/back`, method: 'DELETE' }),
      invalidatesTags: ['Card', 'Tray'],
    }),
  }),
});

export const {
  useAddressPartsMutation,
  useCardQuery,
  useJoinBackMutation,
  useKeepDraftMutation,
  usePersonSourcesQuery,
  useReadAreaMutation,
  useTakeBackOffMutation,
} = proofApi;
