import { lazyScreen } from '@/lib/lazyScreen';

export { FileFromTray } from './FileFromTray';
export { FiledStrip } from './FiledStrip';

export const FiledByItselfScreen = lazyScreen(() => import('./FiledByItselfScreen'), 'FiledByItselfScreen');
export const FileScreen = lazyScreen(() => import('./FileScreen'), 'FileScreen');
export const ContactSheet = lazyScreen(() => import('./ContactSheet'), 'ContactSheet');
