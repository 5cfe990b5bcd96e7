import { lazyScreen } from '@/lib/lazyScreen';

export { useChangeCardsMutation, useTrayInfiniteQuery } from './api';
export { TrayScreen } from './TrayScreen';
export { useTrayCount } from './useTrayCount';

export const LearnedScreen = lazyScreen(() => import('./LearnedScreen'), 'LearnedScreen');
export const WorkspaceSettings = lazyScreen(() => import('./WorkspaceSettings'), 'WorkspaceSettings');
