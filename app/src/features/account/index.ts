import { lazyScreen } from '@/lib/lazyScreen';

export { Portrait } from './Portrait';
export { RatingWords } from './RatingWords';
export { useSessionQuery, useTeamQuery } from './api';
export { useMay } from './useMay';
export { SettingsSection } from './SettingsSection';
export { LinkDoor, useLinkToken } from './LinkDoor';
export { DoorPage } from './DoorPage';

/** Who is signed in already needs no form. */
export const SignInScreen = lazyScreen(() => import('./SignInScreen'), 'SignInScreen');

export const BeginScreen = lazyScreen(() => import('./BeginScreen'), 'BeginScreen');
export const SettingsLayout = lazyScreen(() => import('./SettingsLayout'), 'SettingsLayout');
export const SettingsIndex = lazyScreen(() => import('./SettingsLayout'), 'SettingsIndex');
export const YouSection = lazyScreen(() => import('./YouSection'), 'YouSection');
export const ReadingSection = lazyScreen(() => import('./settingsPages'), 'ReadingSection');
export const PicturesSection = lazyScreen(() => import('./settingsPages'), 'PicturesSection');
export const FilingSection = lazyScreen(() => import('./settingsPages'), 'FilingSection');
export const OwnFieldsSection = lazyScreen(() => import('./settingsPages'), 'OwnFieldsSection');
export const DeviceSection = lazyScreen(() => import('./settingsPages'), 'DeviceSection');
export const ProgramsSection = lazyScreen(() => import('./programs/ProgramsSection'), 'ProgramsSection');
