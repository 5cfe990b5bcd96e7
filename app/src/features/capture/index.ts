export { useDiscardPhotoMutation } from './api';
export { BordersScreen } from './BordersScreen';
export { forgetPhoto, keptBytes, sendAnyway } from './keepPhoto';
export { OccasionsScreen } from './OccasionsScreen';
export { PhotographScreen } from './PhotographScreen';
export { captureSlice, selectSending, selectWaitingPhotos, type WaitingPhoto } from './slice';
export { useOccasions, whereAndWhen } from './useOccasions';
export { useSending } from './useSending';
