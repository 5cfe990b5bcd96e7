import { lazyScreen } from '@/lib/lazyScreen';

export { consentComplaint, ConsentFields, NO_CONSENT } from './ConsentFields';
export { NobodyChosen, PeopleLayout } from './PeopleLayout';
export {
  useFiledByItselfQuery,
  useMergePeopleMutation,
  useSuggestionsQuery,
  useTagsQuery,
  useUndoMergeMutation,
} from './api';

export const PersonScreen = lazyScreen(() => import('./PersonScreen'), 'PersonScreen');
export const DeletedScreen = lazyScreen(() => import('./DeletedScreen'), 'DeletedScreen');
export const TagsScreen = lazyScreen(() => import('./TagsScreen'), 'TagsScreen');
