export { FiledByItselfScreen as default } from '@/features/filing';
