import { lazyScreen } from '@/lib/lazyScreen';

export { TwinNote } from './TwinNote';
export const DuplicatesScreen = lazyScreen(() => import('./DuplicatesScreen'), 'DuplicatesScreen');
export const FiledByItselfScreen = lazyScreen(() => import('./FiledByItselfScreen'), 'FiledByItselfScreen');
export const FileScreen = lazyScreen(() => import('./FileScreen'), 'FileScreen');
