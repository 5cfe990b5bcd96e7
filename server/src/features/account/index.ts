export { createAccounts, type NewWorkspace } from './createAccounts';
export { Account, AccountSession } from './entities';
export { recogniseSession, sessionRoutes, teamRoutes } from './routes';
export { isSessionOpen, removeExpiredSessions } from './service';
export { settingsRoutes } from './settingsRoutes';
export { Workspace } from './workspace';
