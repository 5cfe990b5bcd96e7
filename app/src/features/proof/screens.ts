import { lazyScreen } from '@/lib/lazyScreen';

export const ProofScreen = lazyScreen(() => import('./ProofScreen'), 'ProofScreen');
