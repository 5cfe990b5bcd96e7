export { useSessionQuery, useTeamQuery } from './api';
export { AccountScreen } from './AccountScreen';
export { SignInScreen } from './SignInScreen';
export { Portrait } from './Portrait';
