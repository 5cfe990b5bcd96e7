import { lazyScreen } from '@/lib/lazyScreen';

export {
  useAnswerFiledMutation,
  useFileCardMutation,
  useFiledByItselfQuery,
  useMatchesQuery,
  useMergePeopleMutation,
  useSuggestionsQuery,
  useTagsQuery,
  useUndoMergeMutation,
} from './api';
export { ConsentFields, consentComplaint, NO_CONSENT } from './ConsentFields';
export { NobodyChosen, PeopleLayout } from './PeopleLayout';

export const PersonScreen = lazyScreen(() => import('./PersonScreen'), 'PersonScreen');
export const DeletedScreen = lazyScreen(() => import('./DeletedScreen'), 'DeletedScreen');
export const TagsScreen = lazyScreen(() => import('./TagsScreen'), 'TagsScreen');
export const FilingSettings = lazyScreen(() => import('./FilingSettings'), 'FilingSettings');
