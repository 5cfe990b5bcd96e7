export { PlansSection as default } from '@/features/followup';
