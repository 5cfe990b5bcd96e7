export { DuplicatesScreen as default } from '@/features/matching';
