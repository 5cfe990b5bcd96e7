export { useTrayInfiniteQuery } from './api';
export { TrayScreen } from './TrayScreen';
export { useTrayCount } from './useTrayCount';
