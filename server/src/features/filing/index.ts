export { fileByItself } from './byItself';
export { filingRoutes } from './routes';
