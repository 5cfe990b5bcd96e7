export { insightRoutes } from './routes';
