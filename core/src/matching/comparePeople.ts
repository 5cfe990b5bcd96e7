import {
  compareContactPoints,
  LEAST_PEOPLE,
  type ContactPointComparison,
  type ContactPointOutcome,
} from './compareContactPoints';
import { compareDescent } from './compareDescent';
import { NameComparer, type FamilyOutcome, type GivenOutcome, type NameComparison } from './compareNames';
import { comparePlaces, type PlaceComparison } from './comparePlaces';
import { evidenceOf, type Evidence, type Finding } from './evidence';
import type { Features } from './features';
import { shareOf, type Frequencies } from './frequencies';
import { lidOn, UNLIKELY } from './lids';
import { ASSUMED_MATCHES, type MatchProbabilities } from './weights';

export type Band = 'same' | 'perhaps' | 'different';

export interface Limits {
  /** Likelihood from which two records are taken for the same person. */
  same: number;
  /** Likelihood from which a person is asked. */
  perhaps: number;
}
export const LIMITS: Limits = { same: 0.95, perhaps: 0.05 };

export interface Likely {
  /** Probability that both are records of one person, 0–1. */
  likelihood: number;
  outcome: Outcome;
}

export interface Match extends Likely {
  band: Band;
  /** Agreements and differences, the most telling first. */
  evidence: Evidence[];
  /** The person agrees, the firm does not. */
  newJob: boolean;
}

/** How each part of two records compares. */
export interface Outcome {
  given: GivenOutcome;
  family: FamilyOutcome;
  mailbox: 'same' | 'close' | 'different' | 'unknown';
  phone: 'same' | 'close' | 'different' | 'unknown';
  firm: PlaceComparison['firm'];
}

/** What is known of a register as a whole. */
export interface MatchModel {
  frequencies: Frequencies;
  matches?: MatchProbabilities;
  /** How many records of the same person there are for each record, on average. */
  doubles?: number;
  limits?: Limits;
}

/** What is assumed of a register that has not been looked through: one record in eight has another of the same person. */
export const ASSUMED_DOUBLES = 0.12;

/** Compares people of one register. */
export class Matcher {
  readonly #names: NameComparer;
  readonly #matches: MatchProbabilities;
  readonly #prior: number;
  readonly limits: Limits;
  /** Whether another name without a common address is below the limit of what is asked. */
  readonly #lowIsDifferent: boolean;

  constructor(readonly model: MatchModel) {
    this.#matches = model.matches ?? ASSUMED_MATCHES;
    this.#names = new NameComparer(model.frequencies, this.#matches);
    this.limits = model.limits ?? LIMITS;
    this.#lowIsDifferent = this.bandOf(likelihoodOf(UNLIKELY)) === 'different';
    this.#prior = Math.log2((model.doubles ?? ASSUMED_DOUBLES) / Math.max(model.frequencies.people, LEAST_PEOPLE));
  }

  compare(a: Features, b: Features): Match {
    return this.#matchOf(this.weigh(a, b));
  }

  #matchOf(weighed: Weighed): Match {
    const likelihood = likelihoodOf(weighed.bits);
    const { findings, newJob } = weighed;
    const band = this.bandOf(likelihood);
    return { likelihood, band, newJob, evidence: evidenceOf(findings), outcome: outcomeOf(weighed) };
  }

  bandOf(likelihood: number): Band {
    return likelihood >= this.limits.same ? 'same' : likelihood >= this.limits.perhaps ? 'perhaps' : 'different';
  }

  /**
   * How likely two are one person, unless they are different, as most are; without the reasons, which take longer than the rest.
   * @param reached whether they may have an address or number in common; without one another name settles it, and quickly
   */
  weighIfAlike(a: Features, b: Features, reached: boolean): Likely | undefined {
    if (this.#lowIsDifferent && this.#names.disagree(a.name, b.name)) {
      if (!reached) return undefined;
      const { mailbox, phone } = compareContactPoints(a, b, this.model.frequencies, this.#matches);
      if (mailbox !== 'own' && phone !== 'own') return undefined;
    }
    const weighed = this.weigh(a, b);
    const likelihood = likelihoodOf(weighed.bits);
    return this.bandOf(likelihood) === 'different' ? undefined : { likelihood, outcome: outcomeOf(weighed) };
  }

  /** The comparisons one by one, and their sum with what was known before, in bits of log-odds. */
  weigh(a: Features, b: Features): Weighed {
    const { frequencies } = this.model;
    const names = this.#names.compare(a.name, b.name);
    const contactPoints = compareContactPoints(a, b, frequencies, this.#matches);
    const places = comparePlaces(a, b, frequencies, this.#matches);
    const descent = compareDescent(a.name, b.name);
    const inCommon = [...contactPoints.shared, ...places.shared];
    const shared = strongest(inCommon);
    const titles = compareTitles(a, b, frequencies);
    const moved = places.firm === 'different';
    const against = againstOf([...contactPoints.against, ...places.against, ...titles], moved);
    const met = compareOccasions(a, b, frequencies);
    const findings = [...names.findings, ...descent.findings, ...contactPoints.own, ...against, ...shared, ...met];
    const sum = findings.reduce((bits, { weight }) => bits + weight, this.#prior);
    const bits = Math.min(sum, lidOn({ names, contactPoints, places, descent, shared: inCommon }));
    return { findings, bits, newJob: moved && !disagrees(names), names, contactPoints, places };
  }
}

const outcomeOf = ({ names, contactPoints, places }: Weighed): Outcome => ({
  given: names.given,
  family: names.family,
  mailbox: whetherSame(contactPoints.mailbox),
  phone: whetherSame(contactPoints.phone),
  firm: places.firm,
});

const whetherSame = (contactPoints: ContactPointOutcome): Outcome['mailbox'] =>
  contactPoints === 'own' || contactPoints === 'shared' ? 'same' : contactPoints;

/** Whether a given or family name is clearly another. */
const disagrees = ({ given, family }: NameComparison): boolean =>
  given === 'different' || given === 'otherInitial' || family === 'different';

/** @param bits log-odds to base 2 */
export const likelihoodOf = (bits: number): number => 1 / (1 + 2 ** -bits);

export interface Weighed {
  findings: Finding[];
  bits: number;
  newJob: boolean;
  names: NameComparison;
  contactPoints: ContactPointComparison;
  places: PlaceComparison;
}

/** Of agreements that follow from one another the strongest counts, and a little of each other one. */
function strongest(shared: readonly Finding[]): Finding[] {
  const ordered = shared.toSorted((x, y) => y.weight - x.weight);
  return ordered.map((one, i) => (i === 0 ? one : { ...one, weight: Math.min(1, one.weight * 0.15) }));
}

/** Whoever works elsewhere has another address, number, town and title as well: the other firm says nearly all. */
function againstOf(differences: Finding[], moved: boolean): Finding[] {
  if (!moved) return differences;
  return differences.map((one) =>
    one.about === 'firm' || one.weight > 0 ? one : { ...one, weight: one.weight * 0.15 },
  );
}

/** Two cards from one fair are a little more often one person's; who was met elsewhere as well is none the less the same. */
function compareOccasions(a: Features, b: Features, frequencies: Frequencies): Finding[] {
  const common = a.occasions.filter((occasion) => b.occasions.includes(occasion));
  if (common.length === 0) return [];
  const share = Math.min(...common.map((occasion) => shareOf(frequencies, 'occasion', occasion)));
  const weight = Math.min(MOST_BY_OCCASION, Math.max(0, Math.log2(0.3 / share)));
  return [{ about: 'occasion', weight, words: 'met at the same occasion' }];
}

const MOST_BY_OCCASION = 2;

function compareTitles(a: Features, b: Features, frequencies: Frequencies): Finding[] {
  if (!a.title || !b.title) return [];
  if (a.title === b.title)
    return [
      {
        about: 'title',
        weight: Math.min(4, Math.max(0.5, Math.log2(0.5 / shareOf(frequencies, 'title', a.title)))),
        words: 'same title',
      },
    ];
  const words = a.title.split(' ');
  const common = b.title.split(' ').some((word) => word.length > 3 && words.includes(word));
  return common
    ? [{ about: 'title', weight: 0.5, words: 'similar title' }]
    : [{ about: 'title', weight: -0.7, words: 'another title' }];
}
