import { StateTable, type Transitions } from '../../platform/stateTable';
import { Card, type CardState } from './entities';

/** A card in one of these states lies in the tray. */
export const IN_TRAY: readonly CardState[] = ['toProve', 'needsPerson', 'setAside'];

/** What may become of a card. `attached` is the back of another; it goes where its front goes. */
export const CARD_TRANSITIONS: Transitions<CardState> = {
  toProve: ['needsPerson', 'setAside', 'filed', 'discarded', 'attached'],
  needsPerson: ['toProve', 'setAside', 'filed', 'discarded', 'attached'],
  setAside: ['toProve', 'needsPerson', 'filed', 'discarded', 'attached'],
  attached: ['toProve', 'needsPerson', 'filed', 'discarded'],
  filed: ['toProve', 'needsPerson', 'attached'],
  discarded: ['toProve', 'needsPerson', 'setAside', 'attached'],
};

export const cardStates = new StateTable<CardState, Card>(
  Card,
  CARD_TRANSITIONS,
  'This card was filed or removed meanwhile. Look again.',
);

/** Where a card without a person's decision lies: one on which nothing was found needs a person. */
export const openState = (proposals: { length: number }): 'toProve' | 'needsPerson' =>
  proposals.length > 0 ? 'toProve' : 'needsPerson';
