import type {
  ChosenPeople,
  Import,
  ImportMapping,
  ImportRows,
  ImportRowSettled,
  Imports,
  SharedPerson,
  ShareMade,
  Shares,
  TakeOutColumns,
} from '@dossier/contract';
import { api } from '@/lib/api';

export const exchangeApi = api.injectEndpoints({
  endpoints: (build) => ({
    shares: build.query<Shares, string>({ query: (personId) => `/people/${personId}/shares`, providesTags: ['Share'] }),
    makeShare: build.mutation<ShareMade, { personId: string; days: number }>({
      query: ({ personId, days }) => ({ url: `/people/${personId}/shares`, method: 'POST', body: { days } }),
      invalidatesTags: ['Share', 'Person'],
    }),
    endShare: build.mutation<void, string>({
      query: (id) => ({ url: `/shares/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Share', 'Person'],
    }),
    takeOutColumns: build.query<TakeOutColumns, ChosenPeople>({
      query: (who) => ({ url: '/people/export/columns', method: 'POST', body: { who } }),
      keepUnusedDataFor: 5,
    }),
    imports: build.query<Imports, void>({ query: () => '/imports', providesTags: ['Import'] }),
    importState: build.query<Import, string>({ query: (id) => `/imports/${id}`, providesTags: ['Import'] }),
    beginImport: build.mutation<Import, File>({
      query: (file) => ({
        url: `/imports?name=${encodeURIComponent(file.name)}`,
        method: 'POST',
        body: file,
        headers: { 'content-type': 'application/octet-stream' },
      }),
      invalidatesTags: ['Import'],
    }),
    mapImport: build.mutation<Import, { id: string; change: ImportMapping }>({
      query: ({ id, change }) => ({ url: `/imports/${id}/mapping`, method: 'PUT', body: change }),
      invalidatesTags: ['Import'],
    }),
    actOnImport: build.mutation<Import, { id: string; act: 'run' | 'run?dry=1' | 'cancel' | 'undo' }>({
      query: ({ id, act }) => ({ url: `/imports/${id}/${act}`, method: 'POST' }),
      invalidatesTags: ['Import'],
    }),
    importRows: build.query<ImportRows, { id: string; outcome: string; after: number }>({
      query: ({ id, outcome, after }) => `/imports/${id}/rows?outcome=${outcome}&after=${after}`,
      providesTags: ['Import'],
    }),
    settleRow: build.mutation<void, { id: string; number: number; as: ImportRowSettled }>({
      query: ({ id, number, as }) => ({ url: `/imports/${id}/rows/${number}`, method: 'POST', body: as }),
      invalidatesTags: ['Import', 'Person'],
    }),
    openedShare: build.query<SharedPerson, string>({
      query: (token) => ({ url: '/shares/opened', method: 'POST', body: { token } }),
    }),
  }),
});

export const {
  useActOnImportMutation,
  useBeginImportMutation,
  useImportRowsQuery,
  useImportsQuery,
  useImportStateQuery,
  useMapImportMutation,
  useSettleRowMutation,
  useEndShareMutation,
  useMakeShareMutation,
  useOpenedShareQuery,
  useSharesQuery,
  useTakeOutColumnsQuery,
} = exchangeApi;
