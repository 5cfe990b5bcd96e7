export { exchangeRoutes } from './routes';
