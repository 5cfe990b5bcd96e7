export { matchingRoutes } from './routes';
