export { ContactSheet as default } from '@/features/proof';
