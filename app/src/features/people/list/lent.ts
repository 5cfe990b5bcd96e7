import type { ChosenPeople } from '@dossier/contract';
import type { ComponentType } from 'react';

/** Makes a file of people. @see TakeOutPanel */
export type TakeOut = ComponentType<{ who: ChosenPeople; shown: string; onClose: () => void }>;
/** Hands people over to another system. @see HandOverPanel */
export type HandOver = TakeOut;
/** Asks a directory about people. @see AskDirectory */
export type Ask = ComponentType<{
  who: ChosenPeople;
  disabled: boolean;
  onProblem: (words: string | undefined) => void;
}>;
