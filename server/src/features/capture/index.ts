export { Occasion, Photo, PhotoPart } from './entities';
export { lockPhotos } from './lockPhotos';
export { cardOccasion, knownOccasion, ownerIn } from './occasions';
export { removeOldParts } from './photoParts';
export { photoStates } from './photoStates';
export { captureRoutes } from './routes';
