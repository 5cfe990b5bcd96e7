import type { Session, SignIn, Team } from '@dossier/contract';
import { api } from '@/lib/api';
import { forgetAnswers } from '@/lib/serviceWorker';

export const accountApi = api.injectEndpoints({
  endpoints: (build) => ({
    session: build.query<Session, void>({ query: () => '/session', providesTags: ['Session'] }),
    signIn: build.mutation<Session, SignIn>({
      query: (body) => ({ url: '/session', method: 'POST', body }),
      async onQueryStarted(_body, { dispatch, queryFulfilled }) {
        const { data } = await queryFulfilled.catch(() => ({ data: undefined }));
        if (!data) return;
        // What was kept for whoever was here before is not theirs.
        await forgetAnswers();
        dispatch(accountApi.util.upsertQueryData('session', undefined, data));
      },
    }),
    team: build.query<Team, void>({ query: () => '/team', providesTags: ['Session'] }),
    signOut: build.mutation<void, void>({ query: () => ({ url: '/session', method: 'DELETE' }) }),
  }),
});

export const { useSessionQuery, useSignInMutation, useSignOutMutation, useTeamQuery } = accountApi;
