export { NobodyChosen as default } from '@/features/people';
