export { NoLeadChosen as default } from '@/features/pipeline';
