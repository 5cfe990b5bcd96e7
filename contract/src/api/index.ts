import { CARD_ROUTES } from './cardRoutes';
import type { DescribedRoutes } from './describedRoute';
import { DESTINATION_ROUTES } from './destinationRoutes';
import { EVENT_ROUTES } from './eventRoutes';
import { EXCHANGE_ROUTES } from './exchangeRoutes';
import { FOLLOWUP_ROUTES } from './followupRoutes';
import { INSIGHT_ROUTES } from './insightRoutes';
import { PIPELINE_ROUTES } from './pipelineRoutes';
import { PEOPLE_ROUTES } from './peopleRoutes';
import { TEAM_ROUTES } from './teamRoutes';

export { isBytes, type Bytes, type DescribedRoute, type DescribedRoutes } from './describedRoute';

/** Every route under /api/v1 for whoever is signed in or has a token, by method and path, in groups for whoever reads of them. */
export const API_GROUPS: readonly { name: string; routes: DescribedRoutes }[] = [
  { name: 'Cards', routes: CARD_ROUTES },
  { name: 'People and firms', routes: PEOPLE_ROUTES },
  { name: 'Following up', routes: FOLLOWUP_ROUTES },
  { name: 'Leads and business', routes: PIPELINE_ROUTES },
  { name: 'Figures', routes: INSIGHT_ROUTES },
  { name: 'Files', routes: EXCHANGE_ROUTES },
  { name: 'Events', routes: EVENT_ROUTES },
  { name: 'Handing over', routes: DESTINATION_ROUTES },
  { name: 'Workspace', routes: TEAM_ROUTES },
];

export const API_ROUTES: DescribedRoutes = Object.assign(
  {},
  ...API_GROUPS.map(({ routes }) => routes),
) as DescribedRoutes;
