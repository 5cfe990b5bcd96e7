import { lazyScreen } from '@/lib/lazyScreen';

export { Reasons } from './Reasons';
export { useMatchesQuery, useNotSameMutation, useTrayTwinsQuery } from './api';

export const DuplicatesScreen = lazyScreen(() => import('./DuplicatesScreen'), 'DuplicatesScreen');
