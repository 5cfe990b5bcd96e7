import { lazyScreen } from '@/lib/lazyScreen';

export { useFileCardMutation } from './api';
export { NobodyChosen, PeopleLayout } from './PeopleLayout';

export const PersonScreen = lazyScreen(() => import('./PersonScreen'), 'PersonScreen');
