export { Card, LearnedFact } from './entities';
export { learn } from './learning';
export { trayRoutes } from './routes';
