export { TodayScreen as default } from '@/features/followup';
