export { Card } from './entities';
export { trayRoutes } from './routes';
