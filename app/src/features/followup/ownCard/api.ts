import type { Message, OwnCard, OwnCardFields } from '@dossier/contract';
import type { z } from 'zod';
import { api } from '@/lib/api';

export const ownCardApi = api.injectEndpoints({
  endpoints: (build) => ({
    ownCard: build.query<OwnCard, void>({ query: () => '/own-card', providesTags: ['OwnCard'] }),
    saveOwnCard: build.mutation<void, z.input<typeof OwnCardFields>>({
      query: (body) => ({ url: '/own-card', method: 'PUT', body }),
      invalidatesTags: ['OwnCard'],
    }),
    saveOwnPicture: build.mutation<void, File>({
      query: (file) => ({
        url: '/own-card/picture',
        method: 'PUT',
        body: file,
        headers: { 'content-type': file.type || 'application/octet-stream' },
      }),
      invalidatesTags: ['OwnCard'],
    }),
    removeOwnPicture: build.mutation<void, void>({
      query: () => ({ url: '/own-card/picture', method: 'DELETE' }),
      invalidatesTags: ['OwnCard'],
    }),
    makeCardPage: build.mutation<OwnCard, void>({
      query: () => ({ url: '/own-card/page', method: 'POST' }),
      invalidatesTags: ['OwnCard'],
    }),
    endCardPage: build.mutation<void, void>({
      query: () => ({ url: '/own-card/page', method: 'DELETE' }),
      invalidatesTags: ['OwnCard'],
    }),
    sendOwnCard: build.mutation<Message, { personId: string; id: string }>({
      query: ({ personId, id }) => ({ url: `/people/${personId}/own-card`, method: 'POST', body: { id } }),
      invalidatesTags: ['Message', 'Today', 'Person'],
    }),
  }),
});

export const {
  useOwnCardQuery, useSaveOwnCardMutation, useSaveOwnPictureMutation, useRemoveOwnPictureMutation, useMakeCardPageMutation,
  useEndCardPageMutation, useSendOwnCardMutation,
} = ownCardApi; // prettier-ignore
