import { lazyScreen } from '@/lib/lazyScreen';

export { AccountScreen } from './AccountScreen';
export { Portrait } from './Portrait';
export { useSessionQuery, useTeamQuery } from './api';
export { useMay } from './useMay';

/** Who is signed in already needs no form. */
export const SignInScreen = lazyScreen(() => import('./SignInScreen'), 'SignInScreen');
export const FilingSettings = lazyScreen(() => import('./FilingSettings'), 'FilingSettings');
export const NotificationSetting = lazyScreen(() => import('./NotificationSetting'), 'NotificationSetting');
export const WorkspaceSettings = lazyScreen(() => import('./WorkspaceSettings'), 'WorkspaceSettings');
