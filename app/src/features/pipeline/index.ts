import { lazyScreen } from '@/lib/lazyScreen';

export { PipelineHead } from './PipelineHead';
export { CompanyOpportunities, PersonOpportunities } from './opportunities/OpportunitiesOf';
export { pipelineSlice } from './slice';

export const LeadsLayout = lazyScreen(() => import('./leads/LeadsLayout'), 'LeadsLayout');
export const NoLeadChosen = lazyScreen(() => import('./leads/LeadsLayout'), 'NoLeadChosen');
export const LeadScreen = lazyScreen(() => import('./leads/LeadScreen'), 'LeadScreen');
export const BoardScreen = lazyScreen(() => import('./board/BoardScreen'), 'BoardScreen');
export const OpportunityListScreen = lazyScreen(() => import('./opportunities/ListScreen'), 'ListScreen');
export const OpportunityScreen = lazyScreen(() => import('./opportunities/OpportunityScreen'), 'OpportunityScreen');
export const NewOpportunityScreen = lazyScreen(() => import('./opportunities/NewOpportunityScreen'), 'NewOpportunityScreen'); // prettier-ignore
export const PipelineSection = lazyScreen(() => import('./PipelineSection'), 'PipelineSection');
