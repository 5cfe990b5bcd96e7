import type { FieldProposal } from './proposal';

/** A proposal before its confidence is known. */
export type UnscoredProposal = Omit<FieldProposal, 'confidence'> & {
  /** Log-odds that the role is right. */
  trust: number;
  /** Certainty 0–1 of the value where it does not come from characters of the picture alone. */
  certainty?: number;
};
