export { Account, AccountSession } from './entities';
export { createAccounts, type NewWorkspace } from './createAccounts';
export { accountRoutes, recogniseSession } from './routes';
