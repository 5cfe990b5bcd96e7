export { ChangesScreen as default } from '@/features/people';
