export { removePicturesSoon } from './removePictures';
export { keptAsFiled } from './retention';
export { retentionRoutes } from './routes';
