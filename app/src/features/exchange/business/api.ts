import type { BusinessBack } from '@dossier/contract';
import { api } from '@/lib/api';

const businessTableApi = api.injectEndpoints({
  endpoints: (build) => ({
    bringBusinessBack: build.mutation<BusinessBack, { file: File; preview: boolean }>({
      query: ({ file, preview }) => ({
        url: '/business/import',
        method: 'POST',
        params: { preview: preview ? 1 : 0 },
        body: file,
        headers: { 'content-type': 'application/octet-stream' },
      }),
      invalidatesTags: (_, error, { preview }) => (preview || error ? [] : ['Opportunity', 'Today', 'Task']),
    }),
  }),
});

export const { useBringBusinessBackMutation } = businessTableApi;
