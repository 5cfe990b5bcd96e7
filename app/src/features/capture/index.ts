export { forgetPhoto, keptBytes } from './keepPhoto';
export { PhotographScreen } from './PhotographScreen';
export { captureSlice, selectWaitingPhotos, type WaitingPhoto } from './slice';
export { useSending } from './useSending';
