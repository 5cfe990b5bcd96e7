import type { AccessLink, HandedOver, Invitation, LinkHolder, LinkUsed, Members, RoleChange } from '@dossier/contract';
import { api } from '@/lib/api';

const teamApi = api.injectEndpoints({
  endpoints: (build) => ({
    members: build.query<Members, void>({ query: () => '/members', providesTags: ['Team'] }),
    invite: build.mutation<AccessLink, Invitation>({
      query: (body) => ({ url: '/invitations', method: 'POST', body }),
      invalidatesTags: ['Team'],
    }),
    callOffInvitation: build.mutation<void, string>({
      query: (id) => ({ url: `/invitations/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Team'],
    }),
    changeRole: build.mutation<void, RoleChange & { id: string }>({
      query: ({ id, role }) => ({ url: `/members/${id}`, method: 'PATCH', body: { role } }),
      invalidatesTags: ['Team', 'Session'],
    }),
    linkForPassword: build.mutation<AccessLink, string>({
      query: (id) => ({ url: `/members/${id}/password-link`, method: 'POST' }),
    }),
    takeOutOfUse: build.mutation<HandedOver, { id: string; handTo: string }>({
      query: ({ id, handTo }) => ({ url: `/members/${id}/out-of-use`, method: 'POST', body: { handTo } }),
      invalidatesTags: ['Team', 'Session', 'Person', 'Occasion', 'Tray'],
    }),
    takeBackIntoUse: build.mutation<void, string>({
      query: (id) => ({ url: `/members/${id}/out-of-use`, method: 'DELETE' }),
      invalidatesTags: ['Team', 'Session'],
    }),
    openedLink: build.query<LinkHolder, string>({
      query: (token) => ({ url: '/links/opened', method: 'POST', body: { token } }),
    }),
    comeIn: build.mutation<void, LinkUsed>({ query: (body) => ({ url: '/links/used', method: 'POST', body }) }),
  }),
});

export const {
  useCallOffInvitationMutation,
  useChangeRoleMutation,
  useComeInMutation,
  useInviteMutation,
  useLinkForPasswordMutation,
  useMembersQuery,
  useOpenedLinkQuery,
  useTakeBackIntoUseMutation,
  useTakeOutOfUseMutation,
} = teamApi;
