export { sniffPhoto, type PhotoKind } from './sniffPhoto';
export { UnreadablePhoto } from './errors';
export { ENGINE_VERSION, loadModels } from './models';
export { readPhoto, type CardRead, type PhotoRead, type ReadPhotoOptions } from './readPhoto';
export type { CardArea } from './readArea';
export { ReadingPool, ReadingProcessEnded, type TimedRead } from './readingPool';
