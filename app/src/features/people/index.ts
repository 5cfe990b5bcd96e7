import { lazyScreen } from '@/lib/lazyScreen';

export { useFileCardMutation, useMatchesQuery, useSuggestionsQuery } from './api';
export { NobodyChosen, PeopleLayout } from './PeopleLayout';

export const PersonScreen = lazyScreen(() => import('./PersonScreen'), 'PersonScreen');
