export { Occasion, Photo } from './entities';
export { cardOccasion, knownOccasion, ownerIn } from './occasions';
export { captureRoutes } from './routes';
