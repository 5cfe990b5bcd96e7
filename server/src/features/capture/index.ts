export { Occasion, Photo, PhotoPart } from './entities';
export { lockPhotos } from './lockPhotos';
export { photoStates } from './photoStates';
export { cardOccasion, knownOccasion, ownerIn } from './occasions';
export { removeOldParts } from './photoParts';
export { captureRoutes } from './routes';
