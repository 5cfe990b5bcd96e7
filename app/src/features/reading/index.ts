import { lazyScreen } from '@/lib/lazyScreen';

export { useAnswerSecondLookMutation, useChangeCardsMutation, useTrayInfiniteQuery } from './api';
export { WordStrip } from './WordStrip';
export { useTrayCount } from './useTrayCount';

export const BacksScreen = lazyScreen(() => import('./BacksScreen'), 'BacksScreen');
export const ReadAgainPanel = lazyScreen(() => import('./SelectionPanels'), 'ReadAgainPanel');
export const SecondLookPanel = lazyScreen(() => import('./SelectionPanels'), 'SecondLookPanel');
export const TrayScreen = lazyScreen(() => import('./TrayScreen'), 'TrayScreen');
export const LearnedScreen = lazyScreen(() => import('./LearnedScreen'), 'LearnedScreen');
export const WorkspaceSettings = lazyScreen(() => import('./WorkspaceSettings'), 'WorkspaceSettings');
