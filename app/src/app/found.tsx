export { FoundScreen as default } from '@/features/exchange';
