import { formatPhone } from '../people';
import type { Finding } from './evidence';
import type { Features } from './features';
import type { Frequencies } from './frequencies';
import { typingDistance } from './likeness';
import { memo } from './memo';
import { CHANCE, type MatchProbabilities } from './weights';

/** `own` is what reaches both and hardly anybody else, `shared` what reaches an office. */
export type ContactPointOutcome = 'own' | 'shared' | 'close' | 'different' | 'unknown';

const printed = memo(formatPhone);

/** What mailboxes and numbers say: by themselves, and as those of one office. */
export interface ContactPointComparison {
  /** About the person alone. */
  own: Finding[];
  /** What speaks against it. */
  against: Finding[];
  /** About where the person works: agreements that follow from one another, of which the strongest counts. */
  shared: Finding[];
  mailbox: ContactPointOutcome;
  phone: ContactPointOutcome;
}

/** Chance that an address or number of one person is also another's, in people: a mailbox is handed on now and then. */
const HANDED_ON = { mailbox: 0.02, phone: 0.05 };
/** No single agreement says more: an address can be a copy's mistake. */
const MOST_BITS = 18;

export function compareContactPoints(
  a: Features,
  b: Features,
  frequencies: Frequencies,
  matches: MatchProbabilities,
): ContactPointComparison {
  const own: Finding[] = [];
  const against: Finding[] = [];
  const shared: Finding[] = [];
  const mailbox = compareMailboxes(a, b, frequencies, matches, { own, against, shared });
  const phone = comparePhones(a, b, frequencies, matches, { own, against, shared });
  for (const office of a.offices) {
    if (b.offices.includes(office))
      shared.push({ about: 'firm', weight: 6, words: () => `same office address, ${office}` });
  }
  return { own, against, shared, mailbox, phone };
}

function compareMailboxes(
  a: Features,
  b: Features,
  frequencies: Frequencies,
  { mailbox: m }: MatchProbabilities,
  { own, against, shared }: Pick<ContactPointComparison, 'own' | 'against' | 'shared'>,
): ContactPointOutcome {
  if (a.mailboxes.length === 0 || b.mailboxes.length === 0) return 'unknown';
  const common = a.mailboxes.filter((mailbox) => b.mailboxes.includes(mailbox));
  const [mailbox] = common.sort((x, y) => frequencies.sharers(x) - frequencies.sharers(y) || (x < y ? -1 : 1));
  if (mailbox !== undefined) {
    const sharers = frequencies.sharers(mailbox);
    const weight = agreement(m.same, sharers === 1 ? HANDED_ON.mailbox : sharers, frequencies);
    (sharers > 2 ? shared : own).push({
      about: 'mailbox',
      weight,
      words: () => (sharers > 2 ? `same e-mail as several people, ${mailbox}` : `same e-mail, ${mailbox}`),
    });
    return sharers > 2 ? 'shared' : 'own';
  }
  const slip = pairWhere(a.mailboxes, b.mailboxes, isSlip);
  if (slip) {
    // One that several share tells no more with a slip than without.
    const sharers = Math.max(...slip.map((mailbox) => frequencies.sharers(mailbox)));
    const asSame = agreement(m.same, sharers === 1 ? HANDED_ON.mailbox : sharers, frequencies);
    (sharers > 2 ? shared : own).push({
      about: 'mailbox',
      weight: Math.min(6, Math.log2(m.close / CHANCE.mailboxClose), asSame),
      words: 'e-mail differs by a slip',
    });
    return sharers > 2 ? 'shared' : 'close';
  }
  const domains = new Set(a.mailboxes.map(domainOf));
  const oneFirm = b.mailboxes.some((theirs) => domains.has(domainOf(theirs)));
  against.push({
    about: 'mailbox',
    weight: Math.log2(m.different) - (oneFirm ? 1 : 0),
    words: oneFirm ? 'another e-mail at the same firm' : 'another e-mail',
  });
  return 'different';
}

/** The first of mine and theirs that are alike. */
function pairWhere(
  mine: readonly string[],
  theirs: readonly string[],
  areAlike: (one: string, other: string) => boolean,
): [string, string] | undefined {
  for (const one of mine) {
    const other = theirs.find((candidate) => areAlike(one, candidate));
    if (other !== undefined) return [one, other];
  }
  return undefined;
}

function comparePhones(
  a: Features,
  b: Features,
  frequencies: Frequencies,
  { phone: m }: MatchProbabilities,
  { own, against, shared }: Pick<ContactPointComparison, 'own' | 'against' | 'shared'>,
): ContactPointOutcome {
  if (a.phones.length === 0 || b.phones.length === 0) return 'unknown';
  const common = a.phones.filter((number) => b.phones.includes(number));
  const [number] = common.sort((x, y) => frequencies.sharers(x) - frequencies.sharers(y) || (x < y ? -1 : 1));
  if (number !== undefined) {
    const [mine, theirs] = [a.extensions[number], b.extensions[number]];
    if (mine && theirs && mine !== theirs) {
      shared.push({ about: 'phone', weight: 6, words: () => `same switchboard, ${printed(number)}` });
      against.push({ about: 'phone', weight: -4, words: 'another extension' });
      return 'different';
    }
    const sharers = mine && mine === theirs ? 1 : frequencies.sharers(number);
    const weight = agreement(m.same, sharers === 1 ? HANDED_ON.phone : sharers, frequencies);
    (sharers > 2 ? shared : own).push({
      about: 'phone',
      weight,
      words: () => (sharers > 2 ? `same switchboard, ${printed(number)}` : `same phone, ${printed(number)}`),
    });
    if (sharers <= 2) return 'own';
    // Beside the switchboard each has another number: that tells them apart.
    const isOwn = (phone: string) => frequencies.sharers(phone) <= 2;
    if (!a.phones.some(isOwn) || !b.phones.some(isOwn)) return 'shared';
    against.push({ about: 'phone', weight: Math.log2(m.different), words: 'another direct number' });
    return 'different';
  }
  const near = pairWhere(a.phones, b.phones, differsByOneDigit);
  if (near) {
    const sharers = Math.max(...near.map((number) => frequencies.sharers(number)));
    const asSame = agreement(m.same, sharers === 1 ? HANDED_ON.phone : sharers, frequencies);
    (sharers > 2 ? shared : own).push({
      about: 'phone',
      weight: Math.min(2, asSame),
      words: 'phone differs by one digit',
    });
    return sharers > 2 ? 'shared' : 'close';
  }
  against.push({ about: 'phone', weight: Math.log2(m.different), words: 'another phone' });
  return 'different';
}

/** One digit is another, or two neighbours have changed places. */
function differsByOneDigit(a: string, b: string): boolean {
  if (a.length !== b.length || a.length < 8) return false;
  let at = 0;
  while (a[at] === b[at] && at < a.length) at++;
  const rest = a.slice(at + 1) === b.slice(at + 1);
  return rest || (a[at] === b[at + 1] && a[at + 1] === b[at] && a.slice(at + 2) === b.slice(at + 2));
}

const agreement = (m: number, sharers: number, { people }: Frequencies): number =>
  Math.min(MOST_BITS, Math.max(1, Math.log2((m * Math.max(people, LEAST_PEOPLE)) / sharers)));

/** A workspace that knows few people stands in a world with more. */
export const LEAST_PEOPLE = 1000;

const domainOf = (mailbox: string): string => mailbox.slice(mailbox.indexOf('@') + 1);

/** A letter typed or read wrongly; not the other initial of "j.voss@" and "k.voss@", nor the number of "voss2@". */
function isSlip(a: string, b: string): boolean {
  if (a[0] !== b[0] || Math.min(a.length, b.length) < 9 || a.replace(/\d/g, '') === b.replace(/\d/g, '')) return false;
  const distance = typingDistance(a, b, 2);
  return distance === 1 || (distance === 2 && a.length > 16);
}
