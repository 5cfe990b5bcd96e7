export { NewSystemScreen as default } from '@/features/exchange';
