export { Account, AccountSession } from './entities';
export { createAccounts } from './createAccounts';
export { accountRoutes, recogniseSession } from './routes';
