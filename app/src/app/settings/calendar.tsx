export { CalendarSection as default } from '@/features/followup';
