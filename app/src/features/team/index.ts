import { lazyScreen } from '@/lib/lazyScreen';

export const JoinScreen = lazyScreen(() => import('./JoinScreen'), 'JoinScreen');
export const ColleaguesSection = lazyScreen(() => import('./ColleaguesSection'), 'ColleaguesSection');
