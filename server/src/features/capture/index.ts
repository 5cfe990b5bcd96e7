export { Occasion, Photo } from './entities';
export { lockPhotos } from './lockPhotos';
export { photoStates } from './photoStates';
export { cardOccasion, knownOccasion, ownerIn } from './occasions';
export { captureRoutes } from './routes';
