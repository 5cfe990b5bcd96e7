import { parse } from 'tldts';
import { editDistance } from './editDistance';
import { fold } from './fold';
import type { SourceSpan } from './proposal';
import { freeMailDomains } from './tables/companyWords';
import type { ReadLine } from './types';

export interface FoundAddress {
  value: string;
  domain: string;
  /** Whether another place on the card has set its letters right. */
  repaired?: boolean;
  /** What was read, where that differs from `value`. */
  raw?: string;
  source: SourceSpan;
}

const EMAIL = /[\p{L}\d][\p{L}\d._%+-]*\s?@\s?[\p{L}\d-]+(?:\s?[.,]\s?[\p{L}\d-]+)*(?:\s?\.\s?\p{L}+)/gu;

/** E-mail addresses (the common form of RFC 5321 mailboxes) in printed lines; blanks beside `@` and `.` are closed up. */
export const findEmails = (lines: readonly ReadLine[]): FoundAddress[] =>
  mailboxesIn(lines).filter(({ domain }) => isKnownDomain(domain));

/**
 * E-mail addresses under a domain that cannot be, where one letter more, less or other makes it one that stands on the
 * card, or a provider's of free mailboxes: "…@quayside.ft" beside www.quayside.fr.
 * @param domains those on the card
 */
export function findMisspeltEmails(lines: readonly ReadLine[], domains: readonly string[]): FoundAddress[] {
  return mailboxesIn(lines).flatMap(({ value, domain, source }): FoundAddress[] => {
    if (isKnownDomain(domain)) return [];
    const right = [...domains, ...freeMailDomains].find((known) => editDistance(known, domain, 1) <= 1);
    if (!right) return [];
    return [{ value: value.slice(0, -domain.length) + right, domain: right, repaired: true, raw: value, source }];
  });
}

const mailboxesIn = (lines: readonly ReadLine[]): FoundAddress[] =>
  lines.flatMap((line, index) =>
    [...line.text.matchAll(EMAIL)].map((match) => {
      const value = toAddressLetters(match[0]).replace(/,/g, '.');
      const domain = value.slice(value.indexOf('@') + 1);
      return { value, domain, source: { line: index, from: match.index, to: match.index + match[0].length } };
    }),
  );

/** Letters as they occur in addresses: an accent seen there is a misreading. */
export const toAddressLetters = (text: string): string => fold(text.replace(/\s+/g, ''));

/** True for a host under a top-level domain of the public suffix list, or under the reserved `.example` (RFC 2606). */
export function isKnownDomain(host: string): boolean {
  const parsed = parse(host, { allowPrivateDomains: false });
  if (host.endsWith('.example')) return host.length > '.example'.length + 1;
  return Boolean(parsed.isIcann && parsed.domainWithoutSuffix && !parsed.isIp);
}

/** The part of a host that is registered: `shop.quayside.co.uk` gives `quayside.co.uk`. */
export function registeredDomain(host: string): string {
  if (host.endsWith('.example')) return host.split('.').slice(-2).join('.');
  return parse(host).domain ?? host;
}
