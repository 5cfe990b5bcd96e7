export { Photo } from './entities';
export { captureRoutes } from './routes';
