export { ContactSheet as default } from '@/features/filing';
