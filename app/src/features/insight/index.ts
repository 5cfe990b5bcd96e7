import { lazyScreen } from '@/lib/lazyScreen';

export const FiguresScreen = lazyScreen(() => import('./FiguresScreen'), 'FiguresScreen');
