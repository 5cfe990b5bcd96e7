import { lazyScreen } from '@/lib/lazyScreen';

export const BackupSection = lazyScreen(() => import('./BackupSection'), 'BackupSection');
