import { StateTable, type Transitions } from '../../platform/stateTable';
import { Photo, type PhotoState } from './entities';

/** What may become of a photograph: whatever is taken out of the tray stays out of it. */
export const PHOTO_TRANSITIONS: Transitions<PhotoState> = {
  waiting: ['reading', 'unreadable', 'discarded'],
  reading: ['read', 'unreadable', 'discarded'],
  read: ['reading', 'discarded'],
  unreadable: ['discarded'],
  discarded: [],
};

export const photoStates = new StateTable<PhotoState, Photo>(
  Photo,
  PHOTO_TRANSITIONS,
  'This photograph has been removed or is being read. Look again.',
);
