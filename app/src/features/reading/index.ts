export { useChangeCardsMutation, useTrayInfiniteQuery } from './api';
export { LearnedScreen } from './LearnedScreen';
export { ReadingSettings } from './ReadingSettings';
export { TrayScreen } from './TrayScreen';
export { useTrayCount } from './useTrayCount';
