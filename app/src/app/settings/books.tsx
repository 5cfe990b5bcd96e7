export { DevicesSection as default } from '@/features/exchange';
