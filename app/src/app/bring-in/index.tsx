export { BringInScreen as default } from '@/features/exchange';
