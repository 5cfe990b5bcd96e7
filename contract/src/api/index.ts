import { CARD_ROUTES } from './cardRoutes';
import type { DescribedRoutes } from './describedRoute';
import { EXCHANGE_ROUTES } from './exchangeRoutes';
import { PEOPLE_ROUTES } from './peopleRoutes';
import { TEAM_ROUTES } from './teamRoutes';

export { isBytes, type Bytes, type DescribedRoute, type DescribedRoutes } from './describedRoute';

/** Every route under /api/v1 for whoever is signed in or has a token, by method and path. */
export const API_ROUTES: DescribedRoutes = { ...CARD_ROUTES, ...PEOPLE_ROUTES, ...EXCHANGE_ROUTES, ...TEAM_ROUTES };
