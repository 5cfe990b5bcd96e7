import { lazyScreen } from '@/lib/lazyScreen';

export { SharePerson } from './SharePerson';
export const SharedScreen = lazyScreen(() => import('./SharedScreen'), 'SharedScreen');
export const TakeOutPanel = lazyScreen(() => import('./TakeOutPanel'), 'TakeOutPanel');
export const BringInScreen = lazyScreen(() => import('./BringInScreen'), 'BringInScreen');
export const ImportScreen = lazyScreen(() => import('./ImportScreen'), 'ImportScreen');
