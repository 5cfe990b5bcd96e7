import { lazyScreen } from '@/lib/lazyScreen';

export { ContactLinks } from './ContactLinks';
export { consentComplaint, ConsentFields, NO_CONSENT } from './ConsentFields';
export { NobodyChosen, PeopleLayout } from './PeopleLayout';
export { ListSwitch } from './list/ListSwitch';
export { useListKeys } from './list/useListKeys';
export { PersonPicker } from './PersonPicker';
export { ChangeStrip } from './changes/ChangeStrip';
export { Notes as PersonNotes } from './Notes';
export { SOURCES } from './list/words';
export { AddNote } from './AddNote';
export { OneNote } from './OneNote';
export { UnsavedStrip } from './UnsavedStrip';
export { ViewLinks } from './list/ViewLinks';
export { peopleSlice } from './slice';
export {
  useChangeManyMutation,
  useFiledByItselfQuery,
  useMergePeopleMutation,
  usePeopleFoundQuery,
  usePersonQuery,
  useSuggestionsQuery,
  useTagsQuery,
  useUndoMergeMutation,
} from './api';

export const ChangesScreen = lazyScreen(() => import('./changes/ChangesScreen'), 'ChangesScreen');
export const PersonScreen = lazyScreen(() => import('./PersonScreen'), 'PersonScreen');
export const MapScreen = lazyScreen(() => import('./map/MapScreen'), 'MapScreen');
export const TableScreen = lazyScreen(() => import('./table/TableScreen'), 'TableScreen');
export const DeletedScreen = lazyScreen(() => import('./DeletedScreen'), 'DeletedScreen');
export const TagsScreen = lazyScreen(() => import('./TagsScreen'), 'TagsScreen');
