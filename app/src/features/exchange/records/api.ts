import type { TableBack } from '@dossier/contract';
import { api } from '@/lib/api';
import type { RecordKind } from './backWords';

const CHANGED = {
  business: ['Opportunity', 'Today', 'Task'],
  companies: ['Person', 'Opportunity'],
} as const;

const recordTableApi = api.injectEndpoints({
  endpoints: (build) => ({
    bringTableBack: build.mutation<TableBack, { of: RecordKind; file: File; preview: boolean }>({
      query: ({ of, file, preview }) => ({
        url: `/${of}/import`,
        method: 'POST',
        params: { preview: preview ? 1 : 0 },
        body: file,
        headers: { 'content-type': 'application/octet-stream' },
      }),
      invalidatesTags: (_, error, { of, preview }) => (preview || error ? [] : CHANGED[of]),
    }),
  }),
});

export const { useBringTableBackMutation } = recordTableApi;
