export { FiledByItselfScreen as default } from '@/features/matching';
