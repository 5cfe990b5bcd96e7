export { proofRoutes } from './routes';
