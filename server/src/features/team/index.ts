export { AccessLink } from './entities';
export { linkRoutes, memberRoutes } from './routes';
