export { OpportunityListScreen as default } from '@/features/pipeline';
