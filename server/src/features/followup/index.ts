export { Task } from './entities';
export { followupRoutes } from './routes';
