import { lazyScreen } from '@/lib/lazyScreen';

export { readingSlice, selectJustRead, selectTrayPlace } from './slice';
export { leftToRead } from './soonRead';
export { useAnswerSecondLookMutation, useChangeCardsMutation, useTrayInfiniteQuery, useTrayRunQuery } from './api';
/** Not fetched later: what waits on the device must be seen when the server is gone. */
export { TrayScreen } from './TrayScreen';
export { WordStrip } from './WordStrip';
export { useTrayCount } from './useTrayCount';

export const BacksScreen = lazyScreen(() => import('./BacksScreen'), 'BacksScreen');
export const ReadAgainPanel = lazyScreen(() => import('./SelectionPanels'), 'ReadAgainPanel');
export const SecondLookPanel = lazyScreen(() => import('./SelectionPanels'), 'SecondLookPanel');
export const LearnedScreen = lazyScreen(() => import('./LearnedScreen'), 'LearnedScreen');
export const NotificationSetting = lazyScreen(() => import('./NotificationSetting'), 'NotificationSetting');
export const WorkspaceSettings = lazyScreen(() => import('./WorkspaceSettings'), 'WorkspaceSettings');
