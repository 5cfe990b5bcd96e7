export { CompanyAct, CompanyNote } from './entities';
export { companyRoutes } from './routes';
