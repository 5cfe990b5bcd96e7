export { CompaniesLayout as default } from '@/features/companies';
