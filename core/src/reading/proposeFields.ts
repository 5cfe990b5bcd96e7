import { heldAgainst } from './again';
import { begun, type ProposeOptions } from './cardState';
import { confidenceOf, missingValues, shareDoubts, type JudgedCard, type Weights } from './confidence';
import type { CardProposal, FieldProposal } from './proposal';
import { inDeskOrder, STEPS } from './steps';
import type { Reading, SecondReading } from './types';

export type { ProposeOptions } from './cardState';

/**
 * Turns what the engine read on a card into proposals for the fields of a person, each with how likely a person would leave it as it is;
 * where it was read a second time, as both readings tell.
 */
export function proposeFields(reading: Reading, options: ProposeOptions = {}): CardProposal {
  const { again, ...first } = reading;
  const proposed = proposeOnce(first, options);
  return again ? heldAgainst(proposed, first, again, proposeOnce(readAlone(first, again), options)) : proposed;
}

/** What was seen the second time as a reading by itself: what a code says would agree with itself. */
export const readAlone = ({ width, height, quality }: Reading, { lines }: SecondReading): Reading => ({ width, height, quality, lines }); // prettier-ignore

function proposeOnce(reading: Reading, options: ProposeOptions): CardProposal {
  const card = draftFields(reading, options);
  const fields = scoredFields(card);
  const claimed = new Set(fields.flatMap((p) => p.sources.map((s) => s.line)));
  return {
    fields: inDeskOrder([...fields, ...missingValues(card)]),
    looseLines: card.lines.map((_, i) => i).filter((i) => !claimed.has(i)),
    country: card.country,
  };
}

/** How far each of what was drafted can be believed. @param weights in place of those that were fitted */
export const scoredFields = (card: JudgedCard, weights?: Weights): FieldProposal[] =>
  shareDoubts(
    card.drafts.map((draft): FieldProposal => {
      const { trust: _, certainty: __, ...proposal } = draft;
      return { ...proposal, confidence: confidenceOf(draft, card, weights) };
    }),
  );

/** What is proposed for a card before it is known how far each can be believed: what the steps hand on to each other. */
export function draftFields(reading: Reading, options: ProposeOptions = {}): JudgedCard {
  const { lines, geometry, drafts, address, guess } = STEPS.reduce((card, step) => step(card), begun(reading, options));
  return { reading, lines, geometry, drafts, country: address.country?.value ?? guess.country };
}
