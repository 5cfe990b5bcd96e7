export { sniffPhoto, type PhotoKind } from './sniffPhoto';
export { UnreadablePhoto } from './errors';
export { ENGINE_VERSION, loadModels } from './models';
export { readPhoto, type CardRead, type PhotoRead, type ReadPhotoOptions } from './readPhoto';
export type { CardArea } from './readArea';
export type { PhotoReader, TimedRead } from './photoReader';
export { ReadingPool, ReadingProcessEnded } from './readingPool';
export { RecordedReader } from './recordedReader';
