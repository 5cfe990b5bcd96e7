import { Team } from '../account';
import { FilingSettings } from '../people';
import { OwnFields, PastPictures, PictureSettings, ReadingSettings } from '../reading';
import { AccessLink, HandedOver, Invitation, Members, OutOfUse, RoleChange } from '../team';
import { AllowedOrigins, ApiTokens, NewToken, TokenMade } from '../tokens';
import type { DescribedRoutes } from './describedRoute';

const settings = 'settings';

/** How the workspace works, and who is in it. */
export const TEAM_ROUTES: DescribedRoutes = {
  'GET /team': { about: 'Everybody in the workspace.', scope: 'people:read', answer: Team },
  'PUT /reading-settings': {
    about: 'Country and languages that are expected on cards.',
    scope: settings,
    body: ReadingSettings,
    status: 204,
  },
  'PUT /own-fields': { about: 'Fields beside the usual ones.', scope: settings, body: OwnFields, status: 204 },
  'PUT /picture-settings': {
    about: 'What is kept of pictures, and how long.',
    scope: settings,
    body: PictureSettings,
    status: 204,
  },
  'POST /picture-settings/preview': {
    about: 'How many pictures such a setting would remove.',
    scope: settings,
    body: PictureSettings,
    answer: PastPictures,
  },
  'DELETE /picture-settings/past': {
    about: 'Calls off what was to be removed of earlier pictures.',
    scope: settings,
    status: 204,
  },
  'PUT /filing-settings': {
    about: 'Whether cards without doubt are filed by themselves; words for rating; limits of likeness.',
    scope: settings,
    body: FilingSettings,
    status: 204,
  },
  'GET /members': { about: 'Colleagues with their roles, and who is invited.', scope: settings, answer: Members },
  'POST /invitations': {
    about: 'Invites a colleague by a link.',
    scope: null,
    body: Invitation,
    answer: AccessLink,
    status: 201,
  },
  'DELETE /invitations/:id': { about: 'Calls an invitation off.', scope: null, status: 204 },
  'PATCH /members/:id': { about: 'Changes a colleague’s role.', scope: null, body: RoleChange, status: 204 },
  'POST /members/:id/password-link': {
    about: 'Makes a link by which a colleague sets a new password.',
    scope: null,
    answer: AccessLink,
    status: 201,
  },
  'POST /members/:id/out-of-use': {
    about: 'Takes an account out of use and hands over what it owns.',
    scope: null,
    body: OutOfUse,
    answer: HandedOver,
  },
  'DELETE /members/:id/out-of-use': { about: 'Takes an account back into use.', scope: null, status: 204 },
  'GET /tokens': { about: 'Tokens that let programs in.', scope: null, answer: ApiTokens },
  'POST /tokens': {
    about: 'Makes a token. It stands in this answer and nowhere else.',
    scope: null,
    body: NewToken,
    answer: TokenMade,
    status: 201,
  },
  'DELETE /tokens/:id': { about: 'Revokes a token at once.', scope: null, status: 204 },
  'GET /allowed-origins': {
    about: 'Web pages of others whose scripts may ask here.',
    scope: settings,
    answer: AllowedOrigins,
  },
  'PUT /allowed-origins': {
    about: 'Says which web pages of others may ask here.',
    scope: null,
    body: AllowedOrigins,
    status: 204,
  },
};
