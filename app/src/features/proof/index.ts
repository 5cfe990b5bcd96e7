import { lazyScreen } from '@/lib/lazyScreen';

export { useCardQuery } from './api';
export { CardView } from './CardView';
export { proofActions, proofSlice, selectDraft } from './slice';
export { forgetDraft, useDraft } from './useDraft';

export const ProofScreen = lazyScreen(() => import('./ProofScreen'), 'ProofScreen');
