export { useFileCardMutation } from './api';
export { NobodyChosen, PeopleLayout } from './PeopleLayout';
export { personFieldLabel } from './personFieldLabel';
export { PersonScreen } from './PersonScreen';
