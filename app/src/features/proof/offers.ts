import { alternativesOf, isDoubtful, type DraftField } from '@dossier/core/proof';
import type { Reading } from '@dossier/core/reading/fields';
import { reasonWords } from './reasonWords';

/** Another value that a field takes by one touch. */
export interface Offer {
  value: string;
  /** Why, in words. */
  reason: string;
}

const OFFERED = 4;

/** What a field could be instead, likeliest first: what the engine saw in doubtful characters, then other lines of the card. */
export function offersOf(field: DraftField, reading: Reading): Offer[] {
  const seen = isDoubtful(field) ? alternativesOf(field, reading) : [];
  const all: Offer[] = [
    ...seen.map(({ value, from, to }) => ({ value, reason: `${to} instead of ${from}` })),
    ...(field.runnersUp ?? []).map(({ value, reason }) => ({ value, reason: reasonWords(reason) })),
  ];
  return all
    .filter(({ value }, i) => value !== field.value && all.findIndex((other) => other.value === value) === i)
    .slice(0, OFFERED);
}
