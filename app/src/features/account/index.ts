import { lazyScreen } from '@/lib/lazyScreen';

export { useSessionQuery, useTeamQuery } from './api';
export { AccountScreen } from './AccountScreen';
export { Portrait } from './Portrait';
export { useMay } from './useMay';

/** Who is signed in already needs no form. */
export const SignInScreen = lazyScreen(() => import('./SignInScreen'), 'SignInScreen');
