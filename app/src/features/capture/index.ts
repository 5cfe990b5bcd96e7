import { lazyScreen } from '@/lib/lazyScreen';

export { useDiscardPhotoMutation, useOccasionsQuery } from './api';
export { forgetPhoto, keepPhoto, keptBytes, sendAnyway } from './keepPhoto';
export {
  captureSlice,
  isSentFromHere,
  selectSending,
  selectWaitingPhotos,
  type WaitingPhoto,
  type WithCapture,
} from './slice';
export { keepCodeReader } from './keepCodeReader';
export { useOccasions } from './useOccasions';
export { useSending } from './useSending';

/** Knows how to read codes: heavy, and few need it. */
export const CodeReader = lazyScreen(() => import('./CodeReader'), 'CodeReader');
export const BordersScreen = lazyScreen(() => import('./BordersScreen'), 'BordersScreen');
export const OccasionsScreen = lazyScreen(() => import('./OccasionsScreen'), 'OccasionsScreen');
export const SampleScreen = lazyScreen(() => import('./SampleScreen'), 'SampleScreen');
export const PhotographScreen = lazyScreen(() => import('./PhotographScreen'), 'PhotographScreen');
