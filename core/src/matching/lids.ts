import type { ContactPointComparison } from './compareContactPoints';
import type { DescentComparison } from './compareDescent';
import type { NameComparison } from './compareNames';
import type { PlaceComparison } from './comparePlaces';
import type { Finding } from './evidence';

export interface Compared {
  names: NameComparison;
  contactPoints: ContactPointComparison;
  places: PlaceComparison;
  descent: DescentComparison;
  /** What people of one office have in common, each by itself. */
  shared: readonly Finding[];
}

/** Log-odds to base 2 of the likelihoods 0.9, 0.6, 0.25 and 0.015. */
const PROBABLY = 3.17;
const PERHAPS = 0.58;
const HARDLY = -1.58;
export const UNLIKELY = -6;

/**
 * How sure one can be at most, in bits of log-odds. Comparisons are not independent (relatives share a name, an address and a
 * number; a mailbox is made from its owner's name), so their sum would be too sure: what tells people apart puts a lid on it.
 */
export function lidOn(compared: Compared): number {
  return Math.min(...LIDS.map((lid) => lid(compared) ?? Infinity));
}

const ownMailbox = ({ contactPoints }: Compared): boolean => contactPoints.mailbox === 'own';
const ownPhone = ({ contactPoints }: Compared): boolean => contactPoints.phone === 'own';
/** Something reaches both that reaches nobody else. */
const isReached = (compared: Compared): boolean => ownMailbox(compared) || ownPhone(compared);
const isBothWays = (compared: Compared): boolean => ownMailbox(compared) && ownPhone(compared);

type Lid = (compared: Compared) => number | undefined;

const LIDS: readonly Lid[] = [
  // Elder and younger, man and woman; a middle name that is another.
  (c) =>
    c.descent.outcome === 'different' || c.names.otherMiddle
      ? isBothWays(c)
        ? PERHAPS
        : isReached(c)
          ? HARDLY
          : UNLIKELY
      : undefined,
  // A father is seldom named as the elder.
  (c) => (c.descent.outcome === 'onlyOne' && !ownMailbox(c) ? PERHAPS : undefined),
  // Relatives and colleagues.
  (c) => {
    if (c.names.given !== 'different' && c.names.given !== 'otherInitial') return undefined;
    if (c.names.family === 'different') return ownMailbox(c) ? HARDLY : UNLIKELY;
    if (ownMailbox(c)) return PERHAPS;
    // At two firms nobody has the same mailbox.
    return ownPhone(c) && (c.contactPoints.mailbox !== 'different' || c.places.firm === 'different')
      ? HARDLY
      : UNLIKELY;
  },
  // Somebody who married, or two people of one given name.
  (c) => (c.names.family === 'different' ? (isBothWays(c) ? PROBABLY : isReached(c) ? PERHAPS : UNLIKELY) : undefined),
  // Brothers and sisters at a family's firm: Maria and Marieke, and perhaps Bob and Robert.
  (c) =>
    !isReached(c) && (['shortForm', 'sound', 'part'].includes(c.names.given) || c.names.bothInUse)
      ? PROBABLY
      : undefined,
  // Two colleagues with one number, each with a mailbox.
  (c) =>
    ownPhone(c) &&
    !ownMailbox(c) &&
    c.contactPoints.mailbox === 'different' &&
    c.places.firm === 'same' &&
    c.names.given !== 'exact'
      ? PROBABLY
      : undefined,
  // Names that only resemble each other.
  (c) => (!isReached(c) && (c.names.given === 'resembling' || c.names.family === 'resembling') ? PERHAPS : undefined),
  // Half a name, or none.
  (c) => (c.names.given === 'unknown' && c.names.family === 'unknown' && !ownMailbox(c) ? HARDLY : undefined),
  (c) => ((c.names.given === 'unknown' || c.names.family === 'unknown') && !ownMailbox(c) ? PROBABLY : undefined),
  (c) => (c.names.given === 'initial' && !isReached(c) && c.contactPoints.mailbox !== 'close' ? PROBABLY : undefined),
  // A name alone, however rare.
  (c) => (!isReached(c) && c.contactPoints.mailbox !== 'close' && !isNearby(c) ? PROBABLY : undefined),
  // One name with a mailbox and a number of each one's own, or at two firms: rather namesakes.
  (c) =>
    !isReached(c) && c.contactPoints.mailbox === 'different' && c.contactPoints.phone === 'different'
      ? PROBABLY
      : undefined,
  (c) => (!isReached(c) && c.places.firm === 'different' ? PROBABLY : undefined),
];

/** In one firm or house. */
const isNearby = ({ shared }: Compared): boolean =>
  shared.some(({ about, weight }) => about !== 'town' && weight > 2.5);
