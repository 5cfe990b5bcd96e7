import { lazyScreen } from '@/lib/lazyScreen';

export { SharePerson } from './SharePerson';
export const SharedScreen = lazyScreen(() => import('./SharedScreen'), 'SharedScreen');
