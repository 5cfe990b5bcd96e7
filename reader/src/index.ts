export { MAX_PHOTO_BYTES, MAX_PHOTO_PIXELS, sniffPhoto, type PhotoKind } from './decodePhoto';
export { UnreadablePhoto } from './errors';
export { ENGINE_VERSION, loadModels } from './models';
export { readPhoto, type CardRead, type PhotoRead, type ReadPhotoOptions } from './readPhoto';
