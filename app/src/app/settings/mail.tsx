export { MailSection as default } from '@/features/followup';
