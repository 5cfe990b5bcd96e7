import { lazyScreen } from '@/lib/lazyScreen';

export { useAnswerSecondLookMutation, useChangeCardsMutation, useTrayInfiniteQuery } from './api';
export { ReadAgainPanel, SecondLookPanel } from './SelectionPanels';
export { TrayScreen } from './TrayScreen';
export { WordStrip } from './WordStrip';
export { useTrayCount } from './useTrayCount';

export const BacksScreen = lazyScreen(() => import('./BacksScreen'), 'BacksScreen');
export const LearnedScreen = lazyScreen(() => import('./LearnedScreen'), 'LearnedScreen');
export const WorkspaceSettings = lazyScreen(() => import('./WorkspaceSettings'), 'WorkspaceSettings');
