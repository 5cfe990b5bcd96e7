export { BetweenScreen as default } from '@/features/exchange';
