export { SystemsSection as default } from '@/features/exchange';
