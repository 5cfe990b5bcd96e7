export { TemplatesSection as default } from '@/features/followup';
