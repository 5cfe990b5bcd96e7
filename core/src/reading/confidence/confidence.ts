import { isPoorPicture } from '../../capture';
import { fold } from '../../text';
import type { FieldName, FieldProposal, SourceSpan } from '../proposal';
import type { ReadLine, Reading } from '../types';
import type { UnscoredProposal } from '../unscoredProposal';

/**
 * The engine is far too sure of single characters (measured on phone photographs: most wrong ones
 * have a probability between 0.9 and 0.99); its odds are flattened with this exponent.
 */
const FLATTEN = 0.8;
/** In a picture that calls for advice the engine errs more often for the same probability. */
const FLATTEN_IN_POOR_PICTURE = 0.7;

/** A field with a confidence below this is shown as a doubt. */
export const DOUBT_BELOW = 0.8;
/** A character with a probability below this is marked in its field. */
export const CHARACTER_DOUBT_BELOW = 0.9;

/** Fields whose every character must be right to be of use. */
const EXACT_FIELDS: readonly FieldName[] = ['email', 'phone', 'website', 'postalCode'];

/** No field against which the card itself speaks is shown without a doubt. */
const MOST_CONTESTED = 0.7;
/** A value read out of something else, such as a domain. */
const INFERRED = 0.7;

/**
 * Probability 0–1 that a value is right: that the characters it came from are right and that the
 * role is. The least sure character decides the first, since errors on a line go together.
 */
export function confidenceOf({ lines, quality }: Pick<Reading, 'lines' | 'quality'>, draft: UnscoredProposal): number {
  const poor = quality !== undefined && isPoorPicture(quality);
  const exponent = poor ? FLATTEN_IN_POOR_PICTURE : FLATTEN;
  const role = 1 / (1 + Math.exp(-draft.trust));
  const confidence = role * (draft.certainty ?? readCertainty(lines, draft, exponent));
  return draft.disagreement ? Math.min(MOST_CONTESTED, confidence) : confidence;
}

/** A firm that is called after its owner is no surer than the family name where that is a doubt. */
export function shareDoubts(proposals: readonly FieldProposal[]): FieldProposal[] {
  const wordsOf = ({ value }: FieldProposal) => fold(value).split(/[^\p{L}\d]+/u);
  const doubtful = proposals.filter((p) => p.field === 'familyName' && p.confidence < DOUBT_BELOW);
  return proposals.map((proposal) => {
    const twins =
      proposal.field === 'company'
        ? doubtful.filter((d) => wordsOf(d).every((w) => wordsOf(proposal).includes(w)))
        : [];
    return { ...proposal, confidence: Math.min(proposal.confidence, ...twins.map((d) => d.confidence)) };
  });
}

function readCertainty(lines: readonly ReadLine[], { sources, field }: UnscoredProposal, exponent: number): number {
  if (sources.length === 0) return INFERRED;
  const certainties = sources.map((span) => spanCertainty(lines, span, exponent));
  // Of an address printed twice each place alone would do: the surest counts.
  return EXACT_FIELDS.includes(field) ? Math.max(...certainties) : Math.min(...certainties);
}

function spanCertainty(lines: readonly ReadLine[], { line, from, to }: SourceSpan, exponent: number): number {
  const characters = lines[line]?.characters.slice(from, to).filter((c) => c.text !== ' ') ?? [];
  return characters.reduce((least, c) => Math.min(least, flatten(c.probability, exponent)), 1);
}

function flatten(probability: number, exponent: number): number {
  const p = Math.min(0.9999, Math.max(0.0001, probability));
  const odds = (p / (1 - p)) ** exponent;
  return odds / (1 + odds);
}
