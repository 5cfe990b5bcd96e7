import { lazyScreen } from '@/lib/lazyScreen';

export { PersonMessages } from './messages/PersonMessages';
export { OccasionFigures } from './plans/OccasionFigures';
export { PersonPlans } from './plans/PersonPlans';
export { PlanAtFiling } from './plans/PlanAtFiling';
export { PlanLine } from './plans/PlanLine';
export { PlanChoice } from './plans/PlanChoice';
export { CompanyTasks, OpportunityTasks, PersonTasks } from './tasks/AboutTasks';
export { useTodayCount } from './today/useTodayCount';
export const TodayScreen = lazyScreen(() => import('./today/TodayScreen'), 'TodayScreen');
export const TemplatesSection = lazyScreen(() => import('./templates/TemplatesSection'), 'TemplatesSection');
export const TemplateScreen = lazyScreen(() => import('./templates/TemplateScreen'), 'TemplateScreen');
export const PlansSection = lazyScreen(() => import('./plans/PlansSection'), 'PlansSection');
export const PlanScreen = lazyScreen(() => import('./plans/PlanScreen'), 'PlanScreen');
export const MailSection = lazyScreen(() => import('./mail/MailSection'), 'MailSection');
export const DoNotWriteSection = lazyScreen(() => import('./mail/DoNotWriteSection'), 'DoNotWriteSection');
export const CalendarSection = lazyScreen(() => import('./tasks/CalendarSection'), 'CalendarSection');
