import type { CompaniesPage, Company, CompanyLogo, CompanyRename, PeopleMove } from '@dossier/contract';
import { api } from '@/lib/api';

export const companiesApi = api.injectEndpoints({
  endpoints: (build) => ({
    companies: build.infiniteQuery<CompaniesPage, { q: string; sort: string }, string | null>({
      query: ({ queryArg: { q, sort }, pageParam }) => {
        const params = new URLSearchParams({ ...(q && { q }), ...(sort && { sort }), ...(pageParam && { cursor: pageParam }) }); // prettier-ignore
        return `/companies?${params}`;
      },
      infiniteQueryOptions: { initialPageParam: null, getNextPageParam: (last) => last.next },
      providesTags: ['Person'],
    }),
    /** A few firms by a few letters. */
    companiesFound: build.query<CompaniesPage, string>({
      query: (q) => ({ url: '/companies', params: { q, limit: 10 } }),
      providesTags: ['Person'],
    }),
    company: build.query<Company, string>({ query: (id) => `/companies/${id}`, providesTags: ['Person'] }),
    companyLogo: build.query<CompanyLogo, string>({ query: (id) => `/companies/${id}/logo`, providesTags: ['Person'] }),
    renameCompany: build.mutation<void, { id: string } & CompanyRename>({
      query: ({ id, ...body }) => ({ url: `/companies/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Person'],
    }),
    mergeCompanies: build.mutation<void, { id: string; otherIds: string[] }>({
      query: ({ id, otherIds }) => ({ url: `/companies/${id}/merge`, method: 'POST', body: { otherIds } }),
      invalidatesTags: ['Person'],
    }),
    movePeople: build.mutation<{ id: string }, { id: string } & PeopleMove>({
      query: ({ id, ...body }) => ({ url: `/companies/${id}/people/move`, method: 'POST', body }),
      invalidatesTags: ['Person'],
    }),
    undoCompanyAct: build.mutation<void, string>({
      query: (id) => ({ url: `/company-acts/${id}/undo`, method: 'POST' }),
      invalidatesTags: ['Person'],
    }),
    addCompanyNote: build.mutation<{ id: string }, { id: string; text: string }>({
      query: ({ id, text }) => ({ url: `/companies/${id}/notes`, method: 'POST', body: { text } }),
      invalidatesTags: ['Person'],
    }),
    changeCompanyNote: build.mutation<void, { id: string; text: string }>({
      query: ({ id, text }) => ({ url: `/company-notes/${id}`, method: 'PUT', body: { text } }),
      invalidatesTags: ['Person'],
    }),
    removeCompanyNote: build.mutation<void, string>({
      query: (id) => ({ url: `/company-notes/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Person'],
    }),
  }),
});

export const {
  useAddCompanyNoteMutation,
  useChangeCompanyNoteMutation,
  useCompaniesFoundQuery,
  useCompaniesInfiniteQuery,
  useCompanyLogoQuery,
  useCompanyQuery,
  useMergeCompaniesMutation,
  useMovePeopleMutation,
  useRemoveCompanyNoteMutation,
  useRenameCompanyMutation,
  useUndoCompanyActMutation,
} = companiesApi;
