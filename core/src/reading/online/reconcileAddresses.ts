import { editDistance, foldTight } from '../../text';
import { domainLabel } from '../../text/domains';
import { withoutLegalForm } from '../../text/legalForm';
import type { FoundAddress } from './findEmails';
import { splitMerged } from '../repair';
import type { ReadLine } from '../types';

/** The addresses of a card. */
export interface Online {
  emails: readonly FoundAddress[];
  websites: readonly FoundAddress[];
}

/** An address under another spelling of its domain; what was read first is kept. */
const under = (domain: string, address: FoundAddress): FoundAddress => ({
  ...address,
  raw: address.raw ?? address.value,
  value: address.value.replace(address.domain, domain),
  domain,
  repaired: true,
});

/** A web address of which only what is behind a hyphen was read: "vets.ie" beside info@corelund-vets.ie. */
export const completeDomains = (websites: readonly FoundAddress[], emails: readonly FoundAddress[]): FoundAddress[] =>
  websites.map((website) => {
    const whole = emails.find(({ domain }) => domain.endsWith(`-${website.domain}`))?.domain;
    return whole ? under(whole, website) : website;
  });

/**
 * Two domains that differ in one or two letters are one: the spelling that the engine is surer of
 * is not known here, so the one printed more often wins, else that of the web address.
 */
export const reconcileDomains = (online: Online): Online =>
  online.emails.reduce(({ emails, websites }, _, i): Online => {
    const email = emails[i]!;
    const near = websites.find((w) => w.domain !== email.domain && editDistance(w.domain, email.domain, 1) <= 1);
    if (!near) return { emails, websites };
    const votes = (domain: string) => [...emails, ...websites].filter((a) => a.domain === domain).length;
    const [from, to] =
      votes(email.domain) > votes(near.domain) ? [near.domain, email.domain] : [email.domain, near.domain];
    const settled = (address: FoundAddress) => (address.domain === from ? under(to, address) : address);
    return { emails: emails.map(settled), websites: websites.map(settled) };
  }, online);

/** An address printed twice and read in two ways is one: the spelling whose least sure character is surer. */
export function reconcileRepeats(found: readonly FoundAddress[], lines: readonly ReadLine[]): readonly FoundAddress[] {
  const certainty = ({ source }: FoundAddress) =>
    Math.min(...lines[source.line]!.characters.slice(source.from, source.to).map((c) => c.probability));
  return found.reduce((emails, _, i): readonly FoundAddress[] => {
    const email = emails[i]!;
    const better = emails.find(
      (o) => o.value !== email.value && editDistance(o.value, email.value, 1) <= 1 && certainty(o) > certainty(email),
    );
    if (!better) return emails;
    return emails.with(i, { ...email, raw: email.raw ?? email.value, value: better.value, repaired: true });
  }, found);
}

/** Sets a letter that was read for two right where the printed firm has both: "thomette.example" of Thornette Ltd. */
export function reconcileWithCompany(addresses: readonly FoundAddress[], company: string): FoundAddress[] {
  const key = foldTight(withoutLegalForm(company));
  return addresses.map((address) => {
    const label = domainLabel(address.domain);
    const right = splitMerged(label, key);
    return right ? under(address.domain.replace(label, right), address) : address;
  });
}
