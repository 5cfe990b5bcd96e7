import { lazyScreen } from '@/lib/lazyScreen';

export { useCardQuery } from './api';
export { CardView } from './CardView';
export { FileFromTray, isClean } from './FileFromTray';
export { FiledStrip } from './FiledStrip';
export { PreparedDesk } from './PreparedDesk';
export { runSlice } from './runSlice';
export { useDeskFiling } from './useDeskFiling';
export { sidesOf } from './sides';
export { Strip } from './Strip';
export { proofActions, proofSlice, selectDraft } from './slice';
export { forgetDraft, useDraft } from './useDraft';

export const ContactSheet = lazyScreen(() => import('./ContactSheet'), 'ContactSheet');
export const ProofScreen = lazyScreen(() => import('./ProofScreen'), 'ProofScreen');
