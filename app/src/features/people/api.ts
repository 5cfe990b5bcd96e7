import type {
  ConsentGiven,
  DeletedPeople,
  FiledByItself,
  Merged,
  MergePeople,
  PeoplePage,
  Person,
  PersonEdit,
  Suggestions,
  SuggestionQuery,
  TagList,
  TagRename,
} from '@dossier/contract';
import { api } from '@/lib/api';
import { forgetAnswers } from '@/lib/serviceWorker';

/** Once it is done and whoever did it has been led away from the page about it, which would be asked for in vain. */
async function afterwards(done: Promise<unknown>, then: () => unknown): Promise<void> {
  const isDone = await done.then(
    () => true,
    () => false,
  );
  if (isDone) setTimeout(() => void then(), 0);
}

export const peopleApi = api.injectEndpoints({
  endpoints: (build) => ({
    people: build.infiniteQuery<PeoplePage, string, string | null>({
      query: ({ queryArg: q, pageParam }) => ({
        url: '/people',
        params: { q, ...(pageParam && { cursor: pageParam }) },
      }),
      infiniteQueryOptions: { initialPageParam: null, getNextPageParam: (last) => last.next },
      providesTags: ['Person'],
    }),
    person: build.query<Person, string>({ query: (id) => `/people/${id}`, providesTags: ['Person'] }),
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
          await forgetAnswers();
          dispatch(api.util.invalidateTags(['Person', 'Tray', 'Card', 'Photo', 'Learned']));
        });
      },
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
    tags: build.query<TagList, void>({ query: () => '/tags', providesTags: ['Person'] }),
    renameTag: build.mutation<void, TagRename>({
      query: (body) => ({ url: '/tags/rename', method: 'POST', body }),
      invalidatesTags: ['Person', 'Occasion'],
    }),
    filedByItself: build.query<FiledByItself, void>({ query: () => '/filed-by-itself', providesTags: ['Person'] }),
  }),
});

export const {
  useChangePresenceMutation,
  useDeletedPeopleQuery,
  useSendBackMutation,
  useEditPersonMutation,
  useFiledByItselfQuery,
  useGiveConsentMutation,
  useMergePeopleMutation,
  useRenameTagMutation,
  useTagsQuery,
  useUndoMergeMutation,
  useWithdrawConsentMutation,
} = peopleApi;
export const { usePeopleInfiniteQuery, usePersonQuery, useSuggestionsQuery } = peopleApi;
