import type {
  Board, LeadPage, NewOpportunity, Opportunity, OpportunityEdit, OpportunityEnd, OpportunityPage, PipelineSettings, Qualified, Qualify,
} from '@dossier/contract'; // prettier-ignore
import type { z } from 'zod';
import { api } from '@/lib/api';

/** Whatever tells of business: the board, lists, single ones, and what one has to do today. */
const OF_BUSINESS = ['Opportunity', 'Today', 'Task'] as const;

/** What a list is narrowed by, as it stands in an address. */
export type Narrowing = Partial<Record<'owner' | 'occasion' | 'tag' | 'status' | 'rating' | 'state' | 'stage' | 'sort' | 'q' | 'from' | 'to' | 'companyId' | 'personId', string>>; // prettier-ignore

const said = (narrowing: Narrowing): string =>
  new URLSearchParams(Object.entries(narrowing).filter(([, value]) => value)).toString();

export const pipelineApi = api.injectEndpoints({
  endpoints: (build) => ({
    pipelineSettings: build.query<PipelineSettings, void>({
      query: () => '/pipeline-settings',
      providesTags: ['Pipeline'],
    }),
    savePipelineSettings: build.mutation<void, PipelineSettings>({
      query: (body) => ({ url: '/pipeline-settings', method: 'PUT', body }),
      invalidatesTags: ['Pipeline', 'Opportunity', 'Session', 'Today'],
    }),
    leads: build.infiniteQuery<LeadPage, Narrowing, string | null>({
      query: ({ queryArg, pageParam }) => `/leads?${said(queryArg)}${pageParam ? `&cursor=${pageParam}` : ''}`,
      infiniteQueryOptions: { initialPageParam: null, getNextPageParam: (last) => last.next },
      providesTags: ['Person', 'Task'],
    }),
    qualify: build.mutation<Qualified, { id: string; body: z.input<typeof Qualify> }>({
      query: ({ id, body }) => ({ url: `/leads/${id}/qualify`, method: 'POST', body }),
      invalidatesTags: ['Person', ...OF_BUSINESS],
    }),
    unqualify: build.mutation<void, string>({
      query: (id) => ({ url: `/qualifications/${id}/undo`, method: 'POST' }),
      invalidatesTags: ['Person', ...OF_BUSINESS],
    }),
    board: build.query<Board, Narrowing>({
      query: (narrowing) => `/board?${said(narrowing)}`,
      providesTags: ['Opportunity', 'Task'],
    }),
    opportunities: build.infiniteQuery<OpportunityPage, Narrowing, string | null>({
      query: ({ queryArg, pageParam }) => `/opportunities?${said(queryArg)}${pageParam ? `&cursor=${pageParam}` : ''}`,
      infiniteQueryOptions: { initialPageParam: null, getNextPageParam: (last) => last.next },
      providesTags: ['Opportunity', 'Task'],
    }),
    opportunity: build.query<Opportunity, string>({
      query: (id) => `/opportunities/${id}`,
      providesTags: ['Opportunity', 'Task'],
    }),
    makeOpportunity: build.mutation<{ id: string }, z.input<typeof NewOpportunity>>({
      query: (body) => ({ url: '/opportunities', method: 'POST', body }),
      invalidatesTags: [...OF_BUSINESS],
    }),
    changeOpportunity: build.mutation<void, { id: string; body: z.input<typeof OpportunityEdit> }>({
      query: ({ id, body }) => ({ url: `/opportunities/${id}`, method: 'PUT', body }),
      invalidatesTags: [...OF_BUSINESS],
    }),
    moveOpportunity: build.mutation<void, { id: string; stageId: string; version: number }>({
      query: ({ id, ...body }) => ({ url: `/opportunities/${id}/stage`, method: 'PUT', body }),
      invalidatesTags: [...OF_BUSINESS],
    }),
    endOpportunity: build.mutation<void, { id: string; end: z.input<typeof OpportunityEnd> }>({
      query: ({ id, end }) => ({ url: `/opportunities/${id}/end`, method: 'PUT', body: end }),
      invalidatesTags: [...OF_BUSINESS],
    }),
    removeOpportunity: build.mutation<void, { id: string; version: number }>({
      query: ({ id, version }) => ({ url: `/opportunities/${id}`, method: 'DELETE', params: { version } }),
      // Its own page is left before it is asked for again.
      onQueryStarted: async (_, { dispatch, queryFulfilled }) => {
        const isDone = await queryFulfilled.then(() => true, () => false); // prettier-ignore
        if (isDone) setTimeout(() => dispatch(api.util.invalidateTags([...OF_BUSINESS])));
      },
    }),
    addOpportunityNote: build.mutation<{ id: string }, { id: string; text: string }>({
      query: ({ id, text }) => ({ url: `/opportunities/${id}/notes`, method: 'POST', body: { text } }),
      invalidatesTags: ['Opportunity'],
    }),
    removeOpportunityNote: build.mutation<void, string>({
      query: (id) => ({ url: `/opportunity-notes/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Opportunity'],
    }),
    addOpportunityFile: build.mutation<{ id: string }, { id: string; file: File }>({
      query: ({ id, file }) => ({
        url: `/opportunities/${id}/files`,
        method: 'POST',
        params: { name: file.name },
        body: file,
        headers: { 'content-type': file.type || 'application/octet-stream' },
      }),
      invalidatesTags: ['Opportunity'],
    }),
    removeOpportunityFile: build.mutation<void, string>({
      query: (id) => ({ url: `/opportunity-files/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Opportunity'],
    }),
  }),
});

export const {
  usePipelineSettingsQuery, useSavePipelineSettingsMutation, useLeadsInfiniteQuery, useQualifyMutation, useUnqualifyMutation, useBoardQuery,
  useOpportunitiesInfiniteQuery, useOpportunityQuery, useMakeOpportunityMutation, useChangeOpportunityMutation, useMoveOpportunityMutation,
  useEndOpportunityMutation, useRemoveOpportunityMutation, useAddOpportunityNoteMutation, useRemoveOpportunityNoteMutation,
  useAddOpportunityFileMutation, useRemoveOpportunityFileMutation,
} = pipelineApi; // prettier-ignore
