import { editDistance, foldTight } from '../../text';
import { domainLabel } from '../../text/domains';
import { withoutLegalForm } from '../../text/legalForm';
import type { FoundAddress } from './findEmails';
import { splitMerged } from '../repair';
import type { ReadLine } from '../types';

/** A web address of which only what is behind a hyphen was read: "vets.ie" beside info@corelund-vets.ie. */
export function completeDomains(websites: readonly FoundAddress[], emails: readonly FoundAddress[]): void {
  for (const website of websites) {
    const whole = emails.find(({ domain }) => domain.endsWith(`-${website.domain}`))?.domain;
    if (!whole) continue;
    website.raw ??= website.value;
    website.value = website.value.replace(website.domain, whole);
    website.domain = whole;
    website.repaired = true;
  }
}

/**
 * Two domains that differ in one or two letters are one: the spelling that the engine is surer of
 * is not known here, so the one printed more often wins, else that of the web address.
 */
export function reconcileDomains(emails: FoundAddress[], websites: FoundAddress[]): void {
  for (const email of emails) {
    const near = websites.find((w) => w.domain !== email.domain && editDistance(w.domain, email.domain, 1) <= 1);
    if (!near) continue;
    const votes = (domain: string) => [...emails, ...websites].filter((a) => a.domain === domain).length;
    const [from, to] =
      votes(email.domain) > votes(near.domain) ? [near.domain, email.domain] : [email.domain, near.domain];
    for (const address of [...emails, ...websites]) {
      if (address.domain !== from) continue;
      address.raw ??= address.value;
      address.value = address.value.replace(from, to);
      address.domain = to;
      address.repaired = true;
    }
  }
}

/** An address printed twice and read in two ways is one: the spelling whose least sure character is surer. */
export function reconcileRepeats(emails: FoundAddress[], lines: readonly ReadLine[]): void {
  const certainty = (e: FoundAddress) =>
    Math.min(...lines[e.source.line]!.characters.slice(e.source.from, e.source.to).map((c) => c.probability));
  for (const email of emails) {
    const better = emails.find(
      (o) =>
        o !== email &&
        o.value !== email.value &&
        editDistance(o.value, email.value, 1) <= 1 &&
        certainty(o) > certainty(email),
    );
    if (!better) continue;
    email.raw ??= email.value;
    email.value = better.value;
    email.repaired = true;
  }
}

/** Sets a letter that was read for two right where the printed firm has both: "thomette.example" of Thornette Ltd. */
export function reconcileWithCompany(addresses: readonly FoundAddress[], company: string): void {
  const key = foldTight(withoutLegalForm(company));
  for (const address of addresses) {
    const label = domainLabel(address.domain);
    const right = splitMerged(label, key);
    if (!right) continue;
    address.raw ??= address.value;
    const domain = address.domain.replace(label, right);
    address.value = address.value.replace(address.domain, domain);
    address.domain = domain;
    address.repaired = true;
  }
}
