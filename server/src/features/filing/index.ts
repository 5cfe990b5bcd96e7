export { fileByItself } from './byItself';
export { ProofFactRecord } from './entities';
export { filingRoutes } from './routes';
