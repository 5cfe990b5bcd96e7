export { TableScreen as default } from '@/features/people';
