export { LeadsLayout as default } from '@/features/pipeline';
