export { Occasion, Photo, PhotoPart } from './entities';
export { lockPhotos } from './lockPhotos';
export { cardOccasion, knownOccasion, ownerIn } from './occasions';
export { removeOldParts } from './photoParts';
export { photoStates } from './photoStates';
export { handOverOccasions, handOverPhotos } from './queries';
export { receiveBytes } from './receiveBytes';
export { captureRoutes } from './routes';
export { receivePhoto } from './service';
