import { lazyScreen } from '@/lib/lazyScreen';

export { NewsStrip } from './NewsStrip';
export { TrayScreen } from './TrayScreen';
export { useAnswerSecondLookMutation, useChangeCardsMutation, useTrayInfiniteQuery, useTrayRunQuery } from './api';
export { isClean, isWithoutDoubt } from './isClean';
export { traySlice, selectJustRead, selectTrayPlace } from './slice';
export { leftToRead } from './soonRead';
export { useTrayCount } from './useTrayCount';

export const BacksScreen = lazyScreen(() => import('./BacksScreen'), 'BacksScreen');
export const ReadAgainPanel = lazyScreen(() => import('./SelectionPanels'), 'ReadAgainPanel');
export const SecondLookPanel = lazyScreen(() => import('./SelectionPanels'), 'SecondLookPanel');
