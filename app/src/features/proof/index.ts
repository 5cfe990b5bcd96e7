export { useCardQuery } from './api';
export { CardView } from './CardView';
export { ProofScreen } from './ProofScreen';
export { proofActions, proofSlice, selectDraft } from './slice';
export { forgetDraft, useDraft } from './useDraft';
