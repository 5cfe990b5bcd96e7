export { comparing, findCandidates, findCandidatesOfEach, isProbablyKnown, type Candidate } from './candidates';
export { DuplicateRow, MatchModelRow, SweepRow } from './entities';
export { matchingRoutes } from './routes';
export { fieldsOfCard, hasTwin } from './trayTwins';
