import { lazyScreen } from '@/lib/lazyScreen';

export const ContactSheet = lazyScreen(() => import('./ContactSheet'), 'ContactSheet');
export const ProofScreen = lazyScreen(() => import('./ProofScreen'), 'ProofScreen');
