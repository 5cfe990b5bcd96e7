export { NewOpportunityScreen as default } from '@/features/pipeline';
