export { PeopleLayout as default } from '@/features/people';
