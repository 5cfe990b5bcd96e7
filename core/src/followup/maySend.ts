import { fold } from '../text';

export type Channel = 'email' | 'phone' | 'post';

/**
 * Why something is sent.
 * - `plan` a step of a follow-up plan, without anybody's hand
 * - `byHand` somebody writes to one person
 * - `reply` the one answer to what somebody asked for, such as "send me your details": it needs no consent
 */
export type Purpose =
  | { kind: 'plan' | 'byHand'; /** What it is about; null for anything that was agreed to. */ scope: string | null }
  | { kind: 'reply'; /** What they asked for, in words. */ asked: string };

/** What is known of whether somebody may be written to, at one moment. */
export interface Standing {
  /** Deleted people are written to by nobody; of erased ones there is nothing to ask this with. */
  isDeleted: boolean;
  consents: readonly { channels: readonly Channel[]; scope: string; givenAt: Date; withdrawnAt: Date | null }[];
  /** Addresses, in small letters, that mail came back from for good. */
  bounced: readonly string[];
  /** The team's do-not-write list, in small letters. */
  doNotWrite: { addresses: readonly string[]; domains: readonly string[] };
  /** What they asked for and got: each is answered once. */
  answered: readonly string[];
}

export interface Sending {
  channel: Channel;
  /** The address; for a letter or a call what is written on it or dialled. */
  to: string;
  purpose: Purpose;
}

export type Refusal =
  | 'deleted'
  | 'noAddress'
  | 'doNotWrite'
  | 'bounced'
  | 'withdrawn'
  | 'noConsent'
  | 'otherScope'
  | 'nothingAsked'
  | 'answeredAlready';

export type Verdict = { may: true } | { may: false; why: Refusal; words: string };

const WAY: Record<Channel, string> = { email: 'e-mails', phone: 'calls', post: 'letters' };

/**
 * The one gate that everything sent to a person passes, at the moment it is sent.
 * @returns whether it may be sent, and else why not, in words for whoever wanted it
 */
export function maySend(standing: Standing, { channel, to, purpose }: Sending, now: Date): Verdict {
  const no = (why: Refusal, words: string): Verdict => ({ may: false, why, words });
  if (standing.isDeleted) return no('deleted', 'This person is deleted.');
  if (!to.trim()) return no('noAddress', NO_ADDRESS[channel]);
  if (channel === 'email') {
    const address = to.trim().toLowerCase();
    if (!ONE_ADDRESS.test(address)) return no('noAddress', `${to.trim()} is no e-mail address. Correct it.`);
    const domain = domainOf(address);
    if (standing.doNotWrite.addresses.includes(address))
      return no('doNotWrite', `${address} is on your team’s do-not-write list.`);
    const listed = standing.doNotWrite.domains.find((one) => domain === one || domain.endsWith(`.${one}`));
    if (listed) return no('doNotWrite', `Everybody at ${listed} is on your team’s do-not-write list.`);
    if (standing.bounced.includes(address)) return no('bounced', `Mail to ${address} comes back. Correct the address.`);
  }
  if (purpose.kind === 'reply') {
    const asked = fold(purpose.asked).trim();
    if (!asked) return no('nothingAsked', 'Write what they asked for: a reply needs a question.');
    if (standing.answered.some((one) => fold(one).trim() === asked))
      return no('answeredAlready', 'This was answered already. For more, their consent is needed.');
    return { may: true };
  }
  const forWay = standing.consents.filter(({ channels, givenAt }) => channels.includes(channel) && givenAt <= now);
  const valid = forWay.filter(({ withdrawnAt }) => withdrawnAt === null || withdrawnAt > now);
  if (valid.length === 0)
    return forWay.length > 0
      ? no('withdrawn', `They no longer agree to ${WAY[channel]}.`)
      : no('noConsent', `Nobody noted that they agree to ${WAY[channel]}.`);
  const { scope } = purpose;
  if (scope !== null && !valid.some((one) => fold(one.scope) === fold(scope)))
    return no('otherScope', `They agreed to ${WAY[channel]} about ${listOf(valid)}, not about ${scope}.`);
  return { may: true };
}

/** One address, and nothing that a mail program reads as several, or as something else. */
const ONE_ADDRESS = /^[^\s@,;:<>()[\]\\"]+@[^\s@,;:<>()[\]\\"]+\.[^\s@,;:<>()[\]\\".]+$/;

const NO_ADDRESS: Record<Channel, string> = {
  email: 'There is no e-mail address.',
  phone: 'There is no phone number.',
  post: 'There is no postal address.',
};

export const domainOf = (address: string): string => address.slice(address.lastIndexOf('@') + 1).toLowerCase();

const listOf = (consents: Standing['consents']): string =>
  [...new Set(consents.map(({ scope }) => `“${scope}”`))].join(', ');
