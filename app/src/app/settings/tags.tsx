export { TagsScreen as default } from '@/features/people';
