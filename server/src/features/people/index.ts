export { ChangeLogEntry, Company, Employment, FilingReceipt, Note, Person, Reach } from './entities';
export { loadPerson } from './loadPerson';
export { peopleRoutes } from './routes';
