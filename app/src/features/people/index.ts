export { useFileCardMutation } from './api';
export { NobodyChosen, PeopleLayout } from './PeopleLayout';
export { PersonScreen } from './PersonScreen';
