import { lazyScreen } from '@/lib/lazyScreen';

export { SharePerson } from './SharePerson';
export { PersonElsewhere } from './systems/PersonElsewhere';
export { useSystemNamesQuery } from './systems/api';
export { SystemsTrouble } from './systems/SystemsTrouble';
export const SharedScreen = lazyScreen(() => import('./SharedScreen'), 'SharedScreen');
export const RecordTable = lazyScreen(() => import('./records/RecordTable'), 'RecordTable');
export const TakeOutPanel = lazyScreen(() => import('./TakeOutPanel'), 'TakeOutPanel');
export const BringInScreen = lazyScreen(() => import('./BringInScreen'), 'BringInScreen');
export const ImportScreen = lazyScreen(() => import('./ImportScreen'), 'ImportScreen');
export const SystemsSection = lazyScreen(() => import('./systems/SystemsSection'), 'SystemsSection');
export const SystemScreen = lazyScreen(() => import('./systems/SystemScreen'), 'SystemScreen');
export const NewSystemScreen = lazyScreen(() => import('./systems/SetUpScreen'), 'NewSystemScreen');
export const ChangeSystemScreen = lazyScreen(() => import('./systems/SetUpScreen'), 'ChangeSystemScreen');
export const MappingScreen = lazyScreen(() => import('./systems/mapping/MappingScreen'), 'MappingScreen');
export const HandOverPanel = lazyScreen(() => import('./systems/HandOverPanel'), 'HandOverPanel');
export const DevicesSection = lazyScreen(() => import('./devices/DevicesSection'), 'DevicesSection');
