import type { CardStateChange, ProofCard } from '@dossier/contract';
import { api } from '@/lib/api';

export const proofApi = api.injectEndpoints({
  endpoints: (build) => ({
    card: build.query<ProofCard, string>({
      query: (id) => `/cards/${id}`,
      providesTags: (_result, _error, id) => [{ type: 'Card', id }],
    }),
    changeCardState: build.mutation<void, { id: string } & CardStateChange>({
      query: ({ id, state }) => ({ url: `/cards/${id}`, method: 'PATCH', body: { state } }),
      invalidatesTags: (_result, _error, { id }) => [{ type: 'Card', id }, 'Tray'],
    }),
  }),
});

export const { useCardQuery, useChangeCardStateMutation } = proofApi;
