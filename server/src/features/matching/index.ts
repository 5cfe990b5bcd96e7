export { findCandidates, isProbablyKnown } from './candidates';
export { DuplicateRow, MatchModelRow, SweepRow } from './entities';
export { matchingRoutes } from './routes';
export { fieldsOfCard, hasTwin } from './trayTwins';
