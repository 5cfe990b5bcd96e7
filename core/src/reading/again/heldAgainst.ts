import { because, type Reason } from '../reasons';
import { calibrated, doubtBelow, groupOfField, scoreOf, type Features } from '../confidence';
import type { CardProposal, FieldProposal, RunnerUp } from '../proposal';
import type { Reading, SecondReading } from '../types';
import { withOffers } from '../unscoredProposal';
import { WEIGHTS_AGAIN } from './weights';
import { witnessOf, type Witness } from './witness';

const clamp = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));
const flag = (is: boolean): number => (is ? 1 : 0);

/** What two readings together say of a value, in figures. @param proposal of the first alone */
export function featuresOfBoth({ field, confidence, sources }: FieldProposal, witness: Witness): Features {
  const p = clamp(confidence, 0.02, 0.998);
  const features: Record<string, number> = {
    // What is fitted holds for all of them: errors on which two readings differ are few of each kind.
    [groupOfField(field) ?? 'other']: 1,
    first: Math.log(p / (1 - p)) / 6,
    doubted: flag(p < 0.7),
    readAgain: flag(witness.verdict === 'same' && sources.length > 0),
    inferredAgain: flag(witness.verdict === 'same' && sources.length === 0),
    readOtherwise: flag(witness.verdict === 'other'),
    notReadAgain: flag(witness.verdict === 'nothing'),
    sameLetters: flag(witness.letters === 'same'),
    alikeLetters: flag(witness.letters === 'alike'),
    otherLetters: flag(witness.letters === 'other'),
    nothingAgrees: flag(witness.verdict !== 'same' && witness.letters === 'other'),
  };
  return Object.fromEntries(Object.entries(features).filter(([, value]) => value !== 0));
}

const OFFER: Reason = because('readTheSecondTime');

/**
 * What is proposed once a card was read a second time in another way: values stay as they are; where both readings agree they are
 * surer, where they differ they are doubts with both on offer.
 * @param second what is proposed from the second reading alone
 */
export function heldAgainst(first: CardProposal, reading: Reading, again: SecondReading, second: CardProposal): CardProposal {
  const fields = first.fields.map((proposal) => {
    const witness = witnessOf(proposal, reading, again, second);
    if (proposal.value === '') return withSaid(proposal, witness);
    const confidence = confidenceOfBoth(proposal, witness);
    if (confidence >= doubtBelow(proposal.field)) return { ...proposal, confidence };
    return withSaid({ ...proposal, confidence }, witness);
  });
  return { ...first, fields };
} // prettier-ignore

/** With what the second reading says in its place on offer, before everything else. */
function withSaid(proposal: FieldProposal, { others }: Witness): FieldProposal {
  const offers = others.map((value): RunnerUp => ({ value, reason: OFFER }));
  return { ...proposal, ...withOffers([...offers, ...(proposal.runnersUp ?? [])]) };
}

/** Of values that the second reading proposes otherwise two in five were right (66 of 11,478 that were drawn). */
const MOST_DIFFERING = 0.45;

function confidenceOfBoth(proposal: FieldProposal, witness: Witness): number {
  // What another part of the card says against it stays said.
  if (proposal.disagreement) return proposal.confidence;
  const { all } = WEIGHTS_AGAIN;
  const confidence = calibrated(scoreOf(featuresOfBoth(proposal, witness), all!), all!.curve);
  return witness.verdict === 'other' ? Math.min(MOST_DIFFERING, confidence) : confidence;
}
