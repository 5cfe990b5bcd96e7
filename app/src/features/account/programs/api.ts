import type { AllowedOrigins, ApiTokens, NewToken, TokenMade } from '@dossier/contract';
import { api } from '@/lib/api';

const programsApi = api.injectEndpoints({
  endpoints: (build) => ({
    tokens: build.query<ApiTokens, void>({ query: () => '/tokens', providesTags: ['Token'] }),
    makeToken: build.mutation<TokenMade, Omit<NewToken, 'perMinute'>>({
      query: (body) => ({ url: '/tokens', method: 'POST', body }),
      invalidatesTags: ['Token'],
    }),
    revokeToken: build.mutation<void, string>({
      query: (id) => ({ url: `/tokens/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Token'],
    }),
    allowedOrigins: build.query<AllowedOrigins, void>({ query: () => '/allowed-origins', providesTags: ['Origin'] }),
    allowOrigins: build.mutation<void, AllowedOrigins>({
      query: (body) => ({ url: '/allowed-origins', method: 'PUT', body }),
      invalidatesTags: ['Origin'],
    }),
  }),
});

export const {
  useTokensQuery,
  useMakeTokenMutation,
  useRevokeTokenMutation,
  useAllowedOriginsQuery,
  useAllowOriginsMutation,
} = programsApi;
