export { ProgramsSection as default } from '@/features/account';
