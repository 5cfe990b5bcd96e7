export { PicturesSection as default } from '@/features/account';
