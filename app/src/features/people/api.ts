import type {
  CellsChange,
  CellsChanged,
  ChangePreview,
  ChosenPeople,
  ConsentGiven,
  DeletedPeople,
  Facet,
  FiledByItself,
  ListViewFields,
  ListViews,
  Merged,
  MergePeople,
  NoteFields,
  PeopleChange,
  PeopleChanges,
  PeopleChangeState,
  PeopleFacets,
  PeoplePage,
  Person,
  PersonEdit,
  PlanList,
  Suggestions,
  SuggestionQuery,
  TagList,
  TagRename,
} from '@dossier/contract';
import { api } from '@/lib/api';
import { forgetReadyToGive } from '@/lib/deviceStore';
import { forgetAnswers } from '@/lib/serviceWorker';

/** Once it is done and whoever did it has been led away from the page about it, which would be asked for in vain. */
async function afterwards(done: Promise<unknown>, then: () => unknown): Promise<void> {
  const isDone = await done.then(
    () => true,
    () => false,
  );
  if (isDone) setTimeout(() => void then(), 0);
}

/** Whatever tells of single records: a list that is worked in is not fetched anew for each of them. */
const RECORD = { type: 'Person', id: 'record' } as const;

export const peopleApi = api.injectEndpoints({
  endpoints: (build) => ({
    /** By the address of a list, see `addressOf`. */
    people: build.infiniteQuery<PeoplePage, string, string | null>({
      query: ({ queryArg: address, pageParam }) =>
        `/people?${[address, pageParam && `cursor=${pageParam}`].filter(Boolean).join('&')}`,
      infiniteQueryOptions: { initialPageParam: null, getNextPageParam: (last) => last.next },
      providesTags: ['Person'],
    }),
    /** A few people by a few letters, beside the list. */
    peopleFound: build.query<PeoplePage, string>({
      query: (q) => ({ url: '/people', params: { limit: 10, ...(q && { q }) } }),
      providesTags: ['Person'],
    }),
    facets: build.query<PeopleFacets, { address: string; facet: Facet | readonly Facet[] }>({
      query: ({ address, facet }) =>
        `/people/facets?${[address, ...[facet].flat().map((one) => `facet=${one}`)].filter(Boolean).join('&')}`,
      providesTags: ['Person', RECORD],
    }),
    views: build.query<ListViews, void>({ query: () => '/people-views', providesTags: ['ListView'] }),
    keepView: build.mutation<{ id: string }, ListViewFields>({
      query: (body) => ({ url: '/people-views', method: 'POST', body }),
      invalidatesTags: ['ListView'],
    }),
    changeView: build.mutation<void, { id: string; fields: ListViewFields }>({
      query: ({ id, fields }) => ({ url: `/people-views/${id}`, method: 'PUT', body: fields }),
      invalidatesTags: ['ListView'],
    }),
    removeView: build.mutation<void, string>({
      query: (id) => ({ url: `/people-views/${id}`, method: 'DELETE' }),
      invalidatesTags: ['ListView'],
    }),
    person: build.query<Person, string>({ query: (id) => `/people/${id}`, providesTags: ['Person', RECORD] }),
    /** Titles and companies that the workspace knows already. */
    suggestions: build.query<Suggestions, SuggestionQuery>({
      query: (params) => ({ url: '/suggestions', params }),
      providesTags: ['Person'],
    }),
    editPerson: build.mutation<void, { id: string; edit: PersonEdit }>({
      query: ({ id, edit }) => ({ url: `/people/${id}`, method: 'PUT', body: edit }),
      // Also when it was refused: what somebody else changed is shown then.
      invalidatesTags: ['Person'],
    }),
    /** A filing undone: the card lies in the tray again. */
    sendBack: build.mutation<void, string>({
      query: (id) => ({ url: `/people/${id}/take-back`, method: 'POST' }),
      async onQueryStarted(_id, { dispatch, queryFulfilled }) {
        await afterwards(queryFulfilled, () =>
          dispatch(api.util.invalidateTags(['Person', 'Tray', 'Card', 'Learned'])),
        );
      },
    }),
    deletedPeople: build.query<DeletedPeople, void>({ query: () => '/deleted-people', providesTags: ['Person'] }),
    /** Deletes a person, brings it back, or forgets it for good. */
    changePresence: build.mutation<void, { id: string; to: 'deleted' | 'restored' | 'erased' }>({
      query: ({ id, to }) =>
        to === 'deleted'
          ? { url: `/people/${id}`, method: 'DELETE' }
          : { url: `/people/${id}/${to === 'erased' ? 'erase' : 'restore'}`, method: 'POST' },
      invalidatesTags: (_result, error, { to }) => (error || to === 'erased' ? [] : ['Person']),
      async onQueryStarted({ to }, { dispatch, queryFulfilled }) {
        if (to !== 'erased') return;
        await afterwards(queryFulfilled, async () => {
          // Neither shown again without a network, nor from what was fetched before.
          await Promise.all([forgetAnswers(), forgetReadyToGive()]);
          dispatch(api.util.invalidateTags(['Person', 'Tray', 'Card', 'Photo', 'Learned']));
        });
      },
    }),
    addNote: build.mutation<{ id: string }, { personId: string; note: NoteFields }>({
      query: ({ personId, note }) => ({ url: `/people/${personId}/notes`, method: 'POST', body: note }),
      invalidatesTags: ['Person'],
    }),
    changeNote: build.mutation<void, { id: string; text: string }>({
      query: ({ id, text }) => ({ url: `/notes/${id}`, method: 'PUT', body: { text } }),
      invalidatesTags: ['Person'],
    }),
    removeNote: build.mutation<void, string>({
      query: (id) => ({ url: `/notes/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Person'],
    }),
    giveConsent: build.mutation<void, { id: string; consent: ConsentGiven }>({
      query: ({ id, consent }) => ({ url: `/people/${id}/consents`, method: 'POST', body: consent }),
      invalidatesTags: ['Person'],
    }),
    withdrawConsent: build.mutation<void, string>({
      query: (id) => ({ url: `/consents/${id}/withdraw`, method: 'POST' }),
      invalidatesTags: ['Person'],
    }),
    mergePeople: build.mutation<Merged, MergePeople>({
      query: (body) => ({ url: '/merges', method: 'POST', body }),
      invalidatesTags: ['Person'],
    }),
    undoMerge: build.mutation<void, string>({
      query: (id) => ({ url: `/merges/${id}/undo`, method: 'POST' }),
      invalidatesTags: ['Person'],
    }),
    /** Cells of a table; the table itself shows what became of them, and whatever else tells of people asks again. */
    changeCells: build.mutation<CellsChanged, CellsChange>({
      query: (body) => ({ url: '/people/cells', method: 'POST', body }),
      invalidatesTags: [RECORD],
    }),
    /** What a change of many would do. */
    changePreview: build.query<ChangePreview, { who: ChosenPeople; what: PeopleChange }>({
      query: (body) => ({ url: '/people/changes', method: 'POST', body: { ...body, preview: true } }),
      providesTags: ['Person'],
      keepUnusedDataFor: 0,
    }),
    changeMany: build.mutation<PeopleChangeState, { who: ChosenPeople; what: PeopleChange }>({
      query: (body) => ({ url: '/people/changes', method: 'POST', body }),
      invalidatesTags: ['Person', 'Occasion', 'PeopleChange', 'Plan'],
    }),
    /** Takes a change of many back, or stops it where it is. */
    endChange: build.mutation<PeopleChangeState, { id: string; to: 'undone' | 'stopped' }>({
      query: ({ id, to }) =>
        to === 'undone'
          ? { url: `/people/changes/${id}/undo`, method: 'POST' }
          : { url: `/people/changes/${id}`, method: 'DELETE' },
      invalidatesTags: ['Person', 'Occasion', 'PeopleChange'],
    }),
    changeState: build.query<PeopleChangeState, string>({
      query: (id) => `/people/changes/${id}`,
      providesTags: ['PeopleChange'],
    }),
    changes: build.query<PeopleChanges, void>({
      query: () => '/people/changes',
      providesTags: ['PeopleChange', 'Person'],
    }),
    tags: build.query<TagList, void>({ query: () => '/tags', providesTags: ['Person', RECORD] }),
    renameTag: build.mutation<void, TagRename>({
      query: (body) => ({ url: '/tags/rename', method: 'POST', body }),
      invalidatesTags: ['Person', 'Occasion'],
    }),
    /** Plans that people can be put into. */
    plansOffered: build.query<PlanList, void>({ query: () => '/plans', providesTags: ['Plan'] }),
    filedByItself: build.query<FiledByItself, void>({ query: () => '/filed-by-itself', providesTags: ['Person'] }),
  }),
});

export const {
  useAddNoteMutation,
  useChangeCellsMutation,
  useChangeManyMutation,
  useChangePreviewQuery,
  useChangesQuery,
  useChangeStateQuery,
  useEndChangeMutation,
  useChangeNoteMutation,
  useRemoveNoteMutation,
  useChangePresenceMutation,
  useChangeViewMutation,
  useDeletedPeopleQuery,
  useSendBackMutation,
  useEditPersonMutation,
  useFacetsQuery,
  useFiledByItselfQuery,
  useKeepViewMutation,
  useRemoveViewMutation,
  useViewsQuery,
  useGiveConsentMutation,
  useMergePeopleMutation,
  useRenameTagMutation,
  useTagsQuery,
  useUndoMergeMutation,
  useWithdrawConsentMutation,
} = peopleApi;
export const {
  usePeopleFoundQuery,
  usePeopleInfiniteQuery,
  usePlansOfferedQuery,
  usePersonQuery,
  useSuggestionsQuery,
} = peopleApi;
