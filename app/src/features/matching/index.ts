import { lazyScreen } from '@/lib/lazyScreen';

export const FileScreen = lazyScreen(() => import('./FileScreen'), 'FileScreen');
