import type { BackChange, ProofCard } from '@dossier/contract';
import { api } from '@/lib/api';

export const proofApi = api.injectEndpoints({
  endpoints: (build) => ({
    card: build.query<ProofCard, string>({
      query: (id) => `/cards/${id}`,
      providesTags: (_result, _error, id) => [{ type: 'Card', id }],
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

export const { useCardQuery, useJoinBackMutation, useTakeBackOffMutation } = proofApi;
