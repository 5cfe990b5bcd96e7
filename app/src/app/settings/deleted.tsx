export { DeletedScreen as default } from '@/features/people';
