import type { Finding, Words } from './evidence';
import { shareOf, type Frequencies } from './frequencies';
import { differingLetters } from './letters';
import { familyLikeness, givenLikeness, remembered } from './likeness';
import type { NameForm } from './nameForm';
import { soundKey } from './soundKey';
import { CHANCE, type MatchProbabilities } from './weights';

export type GivenOutcome = keyof MatchProbabilities['given'] | 'initial' | 'otherInitial' | 'unknown';
export type FamilyOutcome = keyof MatchProbabilities['family'] | 'unknown';

export interface NameComparison {
  given: GivenOutcome;
  family: FamilyOutcome;
  /** Given or family names differ by a slip, and both are in use. */
  bothInUse: boolean;
  /** Both have a middle name, and not the same. */
  otherMiddle: boolean;
  findings: Finding[];
}

/** One part of a name compared. */
interface Compared<Outcome> {
  outcome: Outcome;
  weight: number;
  words: Words;
}

const GIVEN_CHANCE = { close: CHANCE.givenClose, sound: CHANCE.givenSound, resembling: CHANCE.givenResembling };

const UNKNOWN: Compared<'unknown'> = { outcome: 'unknown', weight: 0, words: '' };

/** Bits that a name in the wrong columns costs: a few records in a hundred have it. */
const SWAP_COST = 3;

/** Compares names, and remembers what was compared before. */
export class NameComparer {
  readonly #given = remembered(givenLikeness);
  readonly #family = remembered(familyLikeness);

  constructor(
    readonly frequencies: Frequencies,
    readonly matches: MatchProbabilities,
  ) {}

  /** Whether a given or family name is clearly another: the quick answer for most pairs of a register. */
  disagree(a: NameForm, b: NameForm): boolean {
    const first = a.given[0] ?? '';
    const other = b.given[0] ?? '';
    // Names in each other's place are looked at properly.
    if ((first !== '' && first === b.family[0]) || (other !== '' && other === a.family[0])) return false;
    if (a.familyWhole !== b.familyWhole && a.familyWhole !== '' && b.familyWhole !== '') {
      if (
        !shareWord(a.family, b.family) &&
        (lookDifferent(a.familyLook, b.familyLook) || this.#family(a.familyLast, b.familyLast) === 'different')
      )
        return true;
    }
    if (first.length < 2 || other.length < 2 || first === other) return false;
    return (
      !shareWord(a.givenParts, b.givenParts) &&
      this.#given(first, other) === 'different' &&
      a.given.join('') !== b.given.join('')
    );
  }

  compare(one: NameForm, other: NameForm): NameComparison {
    // Always in the same order, so that it makes no difference which of two records is asked about.
    const [a, b] = inOrder(one, other) ? [one, other] : [other, one];
    const straight = this.#compareParts(a, b);
    if (straight.family === 'exact' || straight.given === 'exact' || !a.given[0] || !b.given[0]) return straight;
    const isElsewhere = b.given.includes(a.familyWhole) || a.given.includes(b.familyWhole);
    if (!isElsewhere && (straight.family !== 'different' || !['different', 'otherInitial'].includes(straight.given)))
      return straight;
    const turned = {
      ...b,
      given: b.family,
      family: b.given,
      familyWhole: b.given.join(''),
      familyLast: b.given.join(''),
    };
    const swapped = this.#compareParts(a, turned);
    // In the wrong columns names tell no more than in their own, however rare they are there.
    const most = Math.min(weightOf(this.#compareParts(a, a)), weightOf(this.#compareParts(b, b)));
    const weight = -SWAP_COST - Math.max(0, weightOf(swapped) - most);
    if (weightOf(swapped) + weight <= weightOf(straight)) return straight;
    const cost: Finding = { about: 'name', weight, words: 'given and family name change places' };
    return { ...swapped, findings: [...swapped.findings, cost] };
  }

  #compareParts(a: NameForm, b: NameForm): NameComparison {
    const given = this.#compareGiven(a, b);
    const family = this.#compareFamily(a, b);
    const findings: Finding[] = [];
    if (given.outcome !== 'unknown') findings.push({ about: 'givenName', weight: given.weight, words: given.words });
    if (family.outcome !== 'unknown')
      findings.push({ about: 'familyName', weight: family.weight, words: family.words });
    const middle = given.outcome === 'exact' ? compareMiddle(a.given[1], b.given[1]) : undefined;
    if (middle) findings.push(middle);
    const isSlip = given.outcome === 'close' || given.outcome === 'sound' || given.outcome === 'resembling';
    const isFamilySlip = family.outcome === 'close' || family.outcome === 'sound' || family.outcome === 'resembling';
    return {
      given: given.outcome,
      family: family.outcome,
      bothInUse:
        (isSlip && this.#areBothInUse('given', a.given[0]!, b.given[0]!)) ||
        (isFamilySlip && this.#areBothInUse('family', a.familyLast, b.familyLast)),
      otherMiddle: middle !== undefined && middle.weight < 0,
      findings,
    };
  }

  #compareGiven(a: NameForm, b: NameForm): Compared<GivenOutcome> {
    const [first] = a.given;
    const [other] = b.given;
    if (!first || !other) return UNKNOWN;
    if (first.length === 1 || other.length === 1) return this.#compareInitials(a.given, b.given);
    const m = this.matches.given;
    const [shareA, shareB] = [shareOf(this.frequencies, 'given', first), shareOf(this.frequencies, 'given', other)];
    const likeness = this.#given(first, other);
    if (likeness === 'exact' || a.given.join('') === b.given.join('')) {
      const weight = Math.log2(m.exact / Math.max(shareA, shareB));
      return { outcome: 'exact', weight, words: () => `same given name, ${nice(first)}` };
    }
    if (likeness === 'shortForm') {
      const [short, long] = inLength(first, other);
      const weight = Math.log2(m.shortForm / (shareA + shareB));
      return { outcome: 'shortForm', weight, words: () => `${nice(short)} is short for ${nice(long)}` };
    }
    if (likeness !== 'different') {
      const rarely = this.#areBothInUse('given', first, other) ? 0.15 : 1;
      const chance = shareA + shareB + GIVEN_CHANCE[likeness];
      return {
        outcome: likeness,
        weight: Math.log2((m[likeness] * rarely) / chance),
        words: likenessWords(likeness, first, other),
      };
    }
    const common = this.#rarest(
      'given',
      a.givenParts.filter((name) => name.length > 1 && b.givenParts.includes(name)),
    );
    if (common === undefined)
      return { outcome: 'different', weight: Math.log2(m.different), words: 'another given name' };
    const weight = Math.log2(m.part / shareOf(this.frequencies, 'given', common));
    return { outcome: 'part', weight, words: () => `${nice(common)} among the given names` };
  }

  /** At least one of the first names is an initial: "J. Voss", "J. Peter Voss". */
  #compareInitials(a: readonly string[], b: readonly string[]): Compared<GivenOutcome> {
    const [first, other] = [a[0]!, b[0]!];
    if (first[0] !== other[0] && !isAmong(first, b) && !isAmong(other, a)) {
      return { outcome: 'otherInitial', weight: -5, words: 'another initial' };
    }
    const initial = first.length === 1 ? first : other[0]!;
    const chance = Math.max(
      shareOf(this.frequencies, 'initial', first[0]!),
      shareOf(this.frequencies, 'initial', other[0]!),
    );
    const words = () => `initial ${initial.toUpperCase()} agrees`;
    return { outcome: 'initial', weight: Math.log2(0.97 / Math.min(0.5, chance)), words };
  }

  #compareFamily(a: NameForm, b: NameForm): Compared<FamilyOutcome> {
    if (!a.familyWhole || !b.familyWhole) return UNKNOWN;
    const m = this.matches.family;
    const [lastA, lastB] = [a.familyLast, b.familyLast];
    if (lastA === lastB || a.familyWhole === b.familyWhole) {
      const share = Math.max(this.#familyShare(a), this.#familyShare(b));
      const words = () => `same ${share < RARE ? 'rare ' : ''}family name, ${nice(lastA)}`;
      return { outcome: 'exact', weight: Math.log2(m.exact / share), words };
    }
    const likeness = this.#family(lastA, lastB);
    if (likeness === 'close') {
      const chance = this.#familyShare(a) + this.#familyShare(b) + CHANCE.familyClose;
      const rarely = this.#areBothInUse('family', lastA, lastB) ? 0.15 : 1;
      return {
        outcome: 'close',
        weight: Math.log2((m.close * rarely) / chance),
        words: likenessWords('close', lastA, lastB),
      };
    }
    if (likeness === 'sound') {
      const chance = shareOf(this.frequencies, 'sound', soundKey(lastA)) + CHANCE.familyClose;
      return { outcome: 'sound', weight: Math.log2(m.sound / chance), words: likenessWords('sound', lastA, lastB) };
    }
    if (likeness === 'resembling') {
      const weight = Math.log2(m.resembling / CHANCE.familyResembling);
      return { outcome: 'resembling', weight, words: likenessWords('resembling', lastA, lastB) };
    }
    const common =
      a.family.length + b.family.length > 2
        ? this.#rarest(
            'family',
            a.family.filter((word) => word.length > 2 && b.family.includes(word)),
          )
        : undefined;
    if (common === undefined)
      return { outcome: 'different', weight: Math.log2(m.different), words: 'another family name' };
    const weight = Math.log2(m.part / shareOf(this.frequencies, 'family', common));
    return { outcome: 'part', weight, words: () => `${nice(common)} in both family names` };
  }

  /** Two names that are both in use are rather two people's: Maria and Mario. */
  #areBothInUse(what: 'given' | 'family', a: string, b: string): boolean {
    const { frequencies } = this;
    const rarer = Math.min(frequencies.count(what, a), frequencies.count(what, b));
    return rarer > 2 + frequencies.people / (what === 'given' ? 3000 : 20_000);
  }

  /** The share of people with a family name; of one in several words, that of the rarest. */
  #familyShare({ family }: NameForm): number {
    let least = 1;
    for (const word of family) least = Math.min(least, shareOf(this.frequencies, 'family', word));
    return least;
  }

  #rarest(what: 'given' | 'family', words: readonly string[]): string | undefined {
    return [...words].sort(
      (x, y) => this.frequencies.count(what, x) - this.frequencies.count(what, y) || (x < y ? -1 : 1),
    )[0];
  }
}

/** Too many other letters for a slip, and another sound. */
const lookDifferent = (a: NameForm['familyLook'], b: NameForm['familyLook']): boolean =>
  differingLetters(a.letters, b.letters) > 4 && differingLetters(a.shape, b.shape) > 2 && a.sound !== b.sound;

/** "P." of "P. Voss" among "Hans Peter". */
const isAmong = (initial: string, names: readonly string[]): boolean =>
  initial.length === 1 && names.slice(1).some((name) => name.length > 1 && name[0] === initial);

function shareWord(a: readonly string[], b: readonly string[]): boolean {
  for (const word of a) if (word.length > 1 && b.includes(word)) return true;
  return false;
}

/** A family name that fewer people have is worth telling. */
const RARE = 0.001;

function compareMiddle(mine: string | undefined, theirs: string | undefined): Finding | undefined {
  if (!mine || !theirs) return undefined;
  if (mine[0] !== theirs[0]) return { about: 'middleName', weight: -4, words: 'another middle name' };
  const bothInFull = mine.length > 1 && theirs.length > 1;
  if (bothInFull && mine !== theirs) return undefined;
  return { about: 'middleName', weight: bothInFull ? 5 : 3, words: 'same middle name' };
}

const inOrder = (a: NameForm, b: NameForm): boolean =>
  a.familyWhole === b.familyWhole ? a.given.join(' ') <= b.given.join(' ') : a.familyWhole < b.familyWhole;

const inLength = (a: string, b: string): [shorter: string, longer: string] => (a.length <= b.length ? [a, b] : [b, a]);

const weightOf = ({ findings }: NameComparison): number => findings.reduce((sum, { weight }) => sum + weight, 0);

const nice = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);

const LIKENESS = { close: 'differ by a slip', sound: 'sound alike', resembling: 'resemble each other' };

const likenessWords =
  (likeness: keyof typeof LIKENESS, a: string, b: string): (() => string) =>
  () =>
    `${nice(a)} and ${nice(b)} ${LIKENESS[likeness]}`;
