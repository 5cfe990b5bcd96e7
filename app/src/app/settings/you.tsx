export { YouSection as default } from '@/features/account';
