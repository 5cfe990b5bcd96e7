import {
  DeliveriesQuery,
  EventsPage,
  EventsQuery,
  Repeated,
  WebhookChange,
  WebhookDeliveries,
  WebhookFields,
  Webhooks,
  WebhookSecret,
} from '../webhooks';
import type { DescribedRoutes } from './describedRoute';

const settings = 'settings';

/** What happens, to be asked for or to be told. */
export const EVENT_ROUTES: DescribedRoutes = {
  'GET /events': {
    about: 'What has happened, in an order in which nothing ever comes in between. Events are kept for thirty days.',
    scope: 'people:read',
    query: EventsQuery,
    answer: EventsPage,
  },
  'GET /webhooks': { about: 'Addresses that are told what happens.', scope: settings, answer: Webhooks },
  'POST /webhooks': {
    about:
      'Has an address told what happens, signed as Standard Webhooks are. The secret stands in this answer and nowhere else.',
    scope: settings,
    body: WebhookFields,
    answer: WebhookSecret,
    status: 201,
  },
  'PUT /webhooks/:id': {
    about: 'Changes an address, what it is told, or pauses it.',
    scope: settings,
    body: WebhookChange,
    status: 204,
  },
  'DELETE /webhooks/:id': { about: 'Tells an address nothing any more.', scope: settings, status: 204 },
  'POST /webhooks/:id/secret': {
    about: 'Makes a new secret. For a day what is sent is signed with the former one as well.',
    scope: settings,
    answer: WebhookSecret,
    status: 201,
  },
  'POST /webhooks/:id/try': {
    about: 'Sends something to try the address.',
    scope: settings,
    answer: Repeated,
    status: 202,
  },
  'POST /webhooks/:id/repeat': {
    about: 'Sends all that failed once more.',
    scope: settings,
    answer: Repeated,
    status: 202,
  },
  'GET /webhooks/:id/deliveries': {
    about: 'What was sent to an address, with what came back, the latest first.',
    scope: settings,
    query: DeliveriesQuery,
    answer: WebhookDeliveries,
  },
  'POST /webhook-deliveries/:id/repeat': {
    about: 'Sends one once more.',
    scope: settings,
    answer: Repeated,
    status: 202,
  },
};
