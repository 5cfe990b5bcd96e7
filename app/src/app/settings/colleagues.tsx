export { ColleaguesSection as default } from '@/features/team';
