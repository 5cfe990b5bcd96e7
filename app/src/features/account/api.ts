import type { Beginning, PasswordChange, Session, SignIn, Team } from '@dossier/contract';
import { api, onRefused, tellSignedIn } from '@/lib/api';
import { forgetAnswers } from '@/lib/serviceWorker';

/** All that is shown, as it was before the session ended. */
const EVERYTHING = ['Tray', 'Card', 'Person', 'Learned', 'Occasion', 'Photo'] as const;

export const accountApi = api.injectEndpoints({
  endpoints: (build) => ({
    session: build.query<Session, void>({ query: () => '/session', providesTags: ['Session'] }),
    signIn: build.mutation<Session, SignIn>({
      query: (body) => ({ url: '/session', method: 'POST', body }),
      async onQueryStarted(_body, { dispatch, getState, queryFulfilled }) {
        const before = accountApi.endpoints.session.select()(getState() as never).data?.user.id;
        const { data } = await queryFulfilled.catch(() => ({ data: undefined }));
        if (!data) return;
        const isSame = before === data.user.id;
        // What was kept for whoever was here before is not theirs.
        if (!isSame) await forgetAnswers();
        await dispatch(accountApi.util.upsertQueryData('session', undefined, data));
        tellSignedIn(isSame);
        if (isSame) dispatch(api.util.invalidateTags([...EVERYTHING]));
      },
    }),
    team: build.query<Team, void>({ query: () => '/team', providesTags: ['Session'] }),
    begin: build.mutation<void, Beginning>({ query: (body) => ({ url: '/session/first', method: 'POST', body }) }),
    changePassword: build.mutation<void, PasswordChange>({
      query: (body) => ({ url: '/session/password', method: 'PUT', body }),
    }),
    signOut: build.mutation<void, void>({ query: () => ({ url: '/session', method: 'DELETE' }) }),
  }),
});

onRefused(() => accountApi.endpoints.session.initiate(undefined, { forceRefetch: true, subscribe: false }));

export const {
  useBeginMutation,
  useChangePasswordMutation,
  useSessionQuery,
  useSignInMutation,
  useSignOutMutation,
  useTeamQuery,
} = accountApi;
