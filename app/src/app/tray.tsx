export { TrayScreen as default } from '@/features/reading';
