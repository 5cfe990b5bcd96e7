export { OwnCardSection as default } from '@/features/followup';
