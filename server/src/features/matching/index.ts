export { isProbablyKnown } from './candidates';
export { DuplicateRow, MatchModelRow, SweepRow } from './entities';
export { matchingRoutes } from './routes';
