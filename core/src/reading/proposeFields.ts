import { begun, type ProposeOptions } from './cardState';
import { confidenceOf, missingValues, shareDoubts, type JudgedCard } from './confidence';
import type { CardProposal, FieldProposal } from './proposal';
import { inDeskOrder, STEPS } from './steps';
import type { Reading } from './types';

export type { ProposeOptions } from './cardState';

/**
 * Turns what the engine read on a card into proposals for the fields of a person, each with how likely a person would leave it as it is.
 */
export function proposeFields(reading: Reading, options: ProposeOptions = {}): CardProposal {
  const card = draftFields(reading, options);
  const fields = shareDoubts(
    card.drafts.map((draft): FieldProposal => {
      const { trust: _, certainty: __, ...proposal } = draft;
      return { ...proposal, confidence: confidenceOf(draft, card) };
    }),
  );
  const claimed = new Set(fields.flatMap((p) => p.sources.map((s) => s.line)));
  return {
    fields: inDeskOrder([...fields, ...missingValues(card)]),
    looseLines: card.lines.map((_, i) => i).filter((i) => !claimed.has(i)),
    country: card.country,
  };
}

/** What is proposed for a card before it is known how far each can be believed: what the steps hand on to each other. */
export function draftFields(reading: Reading, options: ProposeOptions = {}): JudgedCard {
  const { lines, geometry, drafts, address, guess } = STEPS.reduce((card, step) => step(card), begun(reading, options));
  return { reading, lines, geometry, drafts, country: address.country?.value ?? guess.country };
}
