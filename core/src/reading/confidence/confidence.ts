import { isPoorPicture } from '../../capture';
import { fold } from '../../text';
import type { FieldName, FieldProposal, SourceSpan } from '../proposal';
import type { ReadLine } from '../types';
import type { UnscoredProposal } from '../unscoredProposal';
import { featuresOf, type JudgedCard } from './features';
import { fittedConfidence } from './model';
import { EXACT_FIELDS, type Weights } from './models';

/**
 * The engine is far too sure of single characters (measured on phone photographs: most wrong ones
 * have a probability between 0.9 and 0.99); its odds are flattened with this exponent.
 */
const FLATTEN = 0.8;
/** In a picture that calls for advice the engine errs more often for the same probability. */
const FLATTEN_IN_POOR_PICTURE = 0.7;

/** An error that is filed costs as much as so many looks at what was right. */
const LOOKS_FOR_AN_ERROR = 9;
/** By what somebody is known and reached. Whatever else is wrong costs half as much. */
const KEY_FIELDS: ReadonlySet<FieldName> = new Set(['givenName', 'middleName', 'familyName', 'title', 'company', 'email', 'phone']); // prettier-ignore

/**
 * Confidence below which a look at a field is worth more than what would be overlooked.
 * @param looks that an error in a key field costs
 */
export const doubtBelow = (field: FieldName, looks = LOOKS_FOR_AN_ERROR): number =>
  1 - 1 / (KEY_FIELDS.has(field) ? looks : looks / 2);

/** Whether it is shown with a mark. */
export const isDoubt = ({ field, confidence }: Pick<FieldProposal, 'field' | 'confidence'>): boolean =>
  confidence < doubtBelow(field);

/** A character with a probability below this is marked in its field. */
export const CHARACTER_DOUBT_BELOW = 0.9;

/** No field against which the card itself speaks is shown without a doubt. */
const MOST_CONTESTED = 0.7;
/** A value read out of something else, such as a domain. */
const INFERRED = 0.7;

/** What a code on the card or the workspace says needs no picture. */
const TOLD = 0.95;
/** A role that so little speaks for is a guess, and no surer than that, nor than this. */
const GUESSED = 1.5;
const MOST_GUESSED = 0.7;

/**
 * Probability 0–1 that a value is right. Fields for which weights were fitted are judged by all that speaks for them and against them; the
 * others by the least sure character, since errors on a line go together, and by how sure the role is. What a rule itself calls a guess, or
 * doubts, is no surer than the rule says: such cases are too seldom for weights to know them.
 * @param weights in place of those that were fitted
 */
export function confidenceOf(draft: UnscoredProposal, card: JudgedCard, weights?: Weights): number {
  // What stands in a code alone is as sure as that: there is nothing in the picture to judge it by.
  if (draft.certainty !== undefined && draft.sources.length === 0) return draft.certainty;
  const isTold = draft.certainty !== undefined && draft.certainty >= TOLD;
  const features = featuresOf(draft, card);
  const fitted = isTold ? undefined : fittedConfidence(draft.field, features, weights);
  // What stands alone under a name is a position though no list has the word.
  const isRivalled = draft.field !== 'title' || Boolean(features.looseAbove ?? features.looseBelow ?? features.offered);
  const confidence = fitted ?? plainConfidence(draft, card);
  const caps = [
    ...(draft.disagreement ? [MOST_CONTESTED] : []),
    ...(isRivalled && draft.trust < GUESSED && draft.sources.length > 0
      ? [Math.min(MOST_GUESSED, roleCertainty(draft))]
      : []),
    ...(draft.certainty !== undefined ? [draft.certainty] : []),
    ...(draft.certainty === undefined && draft.sources.length > 0
      ? [capOfCharacters(readCertainty(card.lines, draft, 1))]
      : []),
  ];
  return Math.min(confidence, ...caps);
}

/** What the engine itself would hardly bet on is a doubt, however well it fits. */
const HARDLY = 0.5;
const capOfCharacters = (least: number): number => (least <= HARDLY ? 0.5 + 0.4 * least : 1);

const roleCertainty = ({ trust }: UnscoredProposal): number => 1 / (1 + Math.exp(-trust));

function plainConfidence(draft: UnscoredProposal, { lines, reading: { quality } }: JudgedCard): number {
  const poor = quality !== undefined && isPoorPicture(quality);
  return (
    roleCertainty(draft) * (draft.certainty ?? readCertainty(lines, draft, poor ? FLATTEN_IN_POOR_PICTURE : FLATTEN))
  );
}

/** A firm that is called after its owner is no surer than the family name where that is a doubt. */
export function shareDoubts(proposals: readonly FieldProposal[]): FieldProposal[] {
  const wordsOf = ({ value }: FieldProposal) => fold(value).split(/[^\p{L}\d]+/u);
  const doubtful = proposals.filter((p) => p.field === 'familyName' && isDoubt(p));
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
