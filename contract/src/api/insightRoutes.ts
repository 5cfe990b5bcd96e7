import { Coming, ComingQuery, Cost, FiguresQuery, Funnel, OccasionReport, Owed, OwedQuery, ReadingFigures, Speed } from '../insight'; // prettier-ignore
import type { DescribedRoutes } from './describedRoute';

const read = 'people:read';

/** Figures: whose one sees is set by the workspace; what all have together everybody sees. */
export const INSIGHT_ROUTES: DescribedRoutes = {
  'GET /insight/occasions/:id': { about: 'What an occasion brought.', scope: read, answer: OccasionReport },
  'GET /insight/occasions/:id/report': { about: 'The same as a file to be printed.', scope: read, answer: { types: ['application/pdf'], about: 'The report.' } }, // prettier-ignore
  'PUT /insight/occasions/:id/cost': {
    about: 'Says what an occasion cost.',
    scope: 'settings',
    body: Cost,
    status: 204,
  },
  'GET /insight/speed': { about: 'How soon people were filed, written to, and answered.', scope: read, query: FiguresQuery, answer: Speed }, // prettier-ignore
  'GET /insight/leads': { about: 'How far leads have come, and why they were closed.', scope: read, query: FiguresQuery, answer: Funnel }, // prettier-ignore
  'GET /insight/reading': { about: 'How well cards were read.', scope: read, query: FiguresQuery, answer: ReadingFigures }, // prettier-ignore
  'GET /insight/owed': { about: 'Who was never written to, whose answer nobody read, what is late.', scope: read, query: OwedQuery, answer: Owed }, // prettier-ignore
  'GET /insight/coming': { about: 'What is expected in which month, against what is wanted.', scope: read, query: ComingQuery, answer: Coming }, // prettier-ignore
};
