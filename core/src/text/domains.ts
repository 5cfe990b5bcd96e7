import { parse } from 'tldts';
import { freeMailDomains } from './tables/companyWords';

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

/** Whether people of many firms and of none have addresses there. */
export const isFreeMail = (domain: string): boolean =>
  freeMailDomains.has(domain) || freeMailDomains.has(registeredDomain(domain));

/** The name part of a domain: `mail.quilingen-pianos.au` gives `quilingen-pianos`. */
export const domainLabel = (domain: string): string => registeredDomain(domain).split('.')[0]!;
