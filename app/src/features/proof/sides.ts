import type { ProofCard } from '@dossier/contract';
import type { Reading, SourceSpan } from '@dossier/core/reading/fields';

/** One side of a card: its picture (by the id of the card that was read) and what was read there. */
export interface CardSide {
  cardId: string;
  reading: Reading;
  /** Whether there is a picture of it; else its text stands for it. */
  picture: boolean;
  /** Names the picture itself. */
  pictureId: string | null;
}

/** The two sides of a card on the desk; most have only a front. */
export interface CardSides {
  front: CardSide;
  back?: CardSide;
}

export const sidesOf = ({ id, reading, picture, pictureId, back }: ProofCard): CardSides => ({
  front: { cardId: id, reading, picture, pictureId },
  back: back ?? undefined,
});

/** The side on which a place lies; the front when its back has been taken off. */
export const sideOf = ({ front, back }: CardSides, span: SourceSpan | undefined): CardSide =>
  (span?.side === 'back' && back) || front;
