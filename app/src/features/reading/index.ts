import { lazyScreen } from '@/lib/lazyScreen';

export { useChangeCardsMutation, useTrayInfiniteQuery } from './api';
export { PictureSettings } from './PictureSettings';
export { ReadingSettings } from './ReadingSettings';
export { TrayScreen } from './TrayScreen';
export { useTrayCount } from './useTrayCount';

export const LearnedScreen = lazyScreen(() => import('./LearnedScreen'), 'LearnedScreen');
