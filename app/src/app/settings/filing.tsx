export { FilingSection as default } from '@/features/account';
