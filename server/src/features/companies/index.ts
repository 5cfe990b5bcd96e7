export { renameIn } from './changeCompany';
export { CompanyAct, CompanyNote, CompanyRecount, CompanyStaff } from './entities';
export { listedCompanies } from './findCompanies';
export { noteIn } from './notes';
export { countStaff, firmsInFull, lockStaff, type CompanyPlace } from './queries';
export { companyRoutes } from './routes';
export { takenFirms, type TakenFirm } from './takenFirms';
