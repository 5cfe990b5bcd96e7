export { filingRoutes } from './routes';
