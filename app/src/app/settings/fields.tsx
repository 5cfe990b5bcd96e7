export { OwnFieldsSection as default } from '@/features/account';
