export { DoNotWriteSection as default } from '@/features/followup';
