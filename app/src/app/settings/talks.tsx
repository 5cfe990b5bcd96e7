export { BookingSection as default } from '@/features/followup';
