import { lazyScreen } from '@/lib/lazyScreen';

export const LearnedScreen = lazyScreen(() => import('./LearnedScreen'), 'LearnedScreen');
