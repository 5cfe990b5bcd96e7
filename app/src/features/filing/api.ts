import type { FileCard, Filed } from '@dossier/contract';
import { api } from '@/lib/api';

const filingApi = api.injectEndpoints({
  endpoints: (build) => ({
    fileCard: build.mutation<Filed, { key: string; body: FileCard }>({
      query: ({ key, body }) => ({ url: '/people', method: 'POST', body, headers: { 'Idempotency-Key': key } }),
      invalidatesTags: (result) => (result ? ['Tray', 'Person', 'Card'] : []),
    }),
    /** Somebody has looked at them; or they go back into the tray. */
    answerFiled: build.mutation<void, { personIds: string[]; answer: 'seen' | 'take-back' }>({
      query: ({ personIds, answer }) => ({ url: `/filed-by-itself/${answer}`, method: 'POST', body: { personIds } }),
      invalidatesTags: ['Person', 'Tray', 'Card'],
    }),
  }),
});

export const { useAnswerFiledMutation, useFileCardMutation } = filingApi;
