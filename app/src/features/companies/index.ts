import { lazyScreen } from '@/lib/lazyScreen';

export { useCompaniesFoundQuery, useCompanyQuery } from './api';

export const CompaniesLayout = lazyScreen(() => import('./CompaniesLayout'), 'CompaniesLayout');
export const NoFirmChosen = lazyScreen(() => import('./CompaniesLayout'), 'NoFirmChosen');
export const CompanyScreen = lazyScreen(() => import('./CompanyScreen'), 'CompanyScreen');
