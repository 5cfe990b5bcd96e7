export { Card, LearnedFact } from './entities';
export { expectationsOf } from './expectations';
export { learn } from './learning';
export { trayRoutes } from './routes';
