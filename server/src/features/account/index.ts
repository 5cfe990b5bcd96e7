export { Account, AccountSession } from './entities';
export { createAccounts, type NewWorkspace } from './createAccounts';
export { recogniseSession, sessionRoutes, teamRoutes } from './routes';
export { isSessionOpen, removeExpiredSessions } from './service';
