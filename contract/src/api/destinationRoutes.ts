import { ChosenPeople } from '../changes';
import {
  Deliveries,
  Destination,
  DestinationFields,
  DestinationNames,
  Destinations,
  Elsewhere,
  HandedOverSample,
  HandOverBegun,
  HandOverDeliveriesQuery,
  HandOverMapping,
  HandOverSample,
  HandOverTried,
  MappingOver,
  MappingVersions,
  OutsideFields,
  TheirsSettled,
} from '../destinations';
import { MadeId, type DescribedRoutes } from './describedRoute';

const settings = 'settings';

/** Other systems that people are handed over to. */
export const DESTINATION_ROUTES: DescribedRoutes = {
  'GET /destinations': {
    about: 'Other systems that people are handed over to.',
    scope: settings,
    answer: Destinations,
  },
  'POST /destinations': {
    about: 'Sets another system up: its address, how we show who we are, and what is asked of it.',
    scope: settings,
    body: DestinationFields,
    answer: MadeId,
    status: 201,
  },
  'GET /destinations/:id': { about: 'One of them.', scope: settings, answer: Destination },
  'PUT /destinations/:id': { about: 'Changes one of them.', scope: settings, body: DestinationFields, status: 204 },
  'DELETE /destinations/:id': { about: 'Hands nobody over to it any more.', scope: settings, status: 204 },
  'GET /destinations/:id/fields/:kind': {
    about: 'The fields that it describes, of a lead, a contact or a company.',
    scope: settings,
    answer: OutsideFields,
  },
  'PUT /destinations/:id/mapping': {
    about: 'Says what goes into which of its fields; the former mappings are kept.',
    scope: settings,
    query: MappingOver,
    body: HandOverMapping,
    status: 204,
  },
  'POST /destinations/:id/sample': {
    about: 'Somebody as they would be sent, with what keeps them from it.',
    scope: settings,
    body: HandOverSample,
    answer: HandedOverSample,
  },
  'GET /destinations/:id/mappings': {
    about: 'The mapping as it was from one change to the next, the latest first.',
    scope: settings,
    answer: MappingVersions,
  },
  'POST /destinations/:id/try': {
    about: 'Sends somebody as a try: a new record, whose name says that it is one.',
    scope: settings,
    body: HandOverSample,
    answer: HandOverTried,
  },
  'GET /destination-names': {
    about: 'Where people can be handed over to.',
    scope: 'people:read',
    answer: DestinationNames,
  },
  'GET /people/:id/elsewhere': {
    about: 'Where somebody was handed over to, and what stood there in place of ours.',
    scope: 'people:read',
    answer: Elsewhere,
  },
  'PUT /people/:id/elsewhere/:destinationId': {
    about: 'Takes what stood there, or leaves what stands here.',
    scope: 'people:write',
    body: TheirsSettled,
    status: 204,
  },
  'POST /destinations/:id/people': {
    about: 'Hands people over to it, by jobs.',
    scope: 'people:write',
    body: ChosenPeople,
    answer: HandOverBegun,
    status: 202,
  },
  'GET /deliveries': {
    about: 'What was handed over, or waits, the latest first.',
    scope: 'people:read',
    query: HandOverDeliveriesQuery,
    answer: Deliveries,
  },
  'POST /deliveries/:id/repeat': {
    about: 'Tries one once more.',
    scope: 'people:write',
    answer: HandOverBegun,
    status: 202,
  },
  'POST /destinations/:id/repeat': {
    about: 'Tries all once more that wait for somebody.',
    scope: settings,
    answer: HandOverBegun,
    status: 202,
  },
};
