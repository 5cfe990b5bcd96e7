export { ReadingSection as default } from '@/features/account';
