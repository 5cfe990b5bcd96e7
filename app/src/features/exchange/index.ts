import { lazyScreen } from '@/lib/lazyScreen';

export { SharePerson } from './SharePerson';
export const SharedScreen = lazyScreen(() => import('./SharedScreen'), 'SharedScreen');
export const TakeOutPanel = lazyScreen(() => import('./TakeOutPanel'), 'TakeOutPanel');
