import type { FieldProposal, RunnerUp } from './proposal';

/** A proposal before its confidence is known. */
export type UnscoredProposal = Omit<FieldProposal, 'confidence'> & {
  /** Log-odds that the role is right. */
  trust: number;
  /** Certainty 0–1 of the value where it does not come from characters of the picture alone. */
  certainty?: number;
};

/** Each value once. */
export function withOffers(offers: readonly RunnerUp[]): { runnersUp?: RunnerUp[] } {
  const runnersUp = offers.filter(({ value }, i) => offers.findIndex((other) => other.value === value) === i);
  return runnersUp.length > 0 ? { runnersUp } : {};
}
