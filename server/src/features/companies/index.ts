export { CompanyAct, CompanyNote, CompanyRecount, CompanyStaff } from './entities';
export { countStaff } from './queries';
export { companyRoutes } from './routes';
