export { FirstTime } from './beginning';
export { createAccounts, type NewWorkspace } from './createAccounts';
export { Account, AccountSession } from './entities';
export { recogniseSession, sessionRoutes, teamRoutes } from './routes';
export { hashPassword } from './passwords';
export { endSessionsOf, isSessionOpen, openSession, removeExpiredSessions } from './service';
export { keepToken } from './sessionCookie';
export { settingsRoutes } from './settingsRoutes';
export { Workspace } from './workspace';
