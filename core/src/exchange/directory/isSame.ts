import { foldTight } from '../../text';
import { isFreeMail, registeredDomain } from '../../text/domains';
import { legalFormOf, withoutLegalForm } from '../../text/legalForm';
import type { KnownFirm, KnownPerson } from './models';

/** What is known here of somebody, as far as it tells whether a directory means them. */
export interface WhoItIs {
  fullName: string;
  company: string;
  emails: readonly string[];
}

const domainOf = (email: string): string => registeredDomain(email.slice(email.lastIndexOf('@') + 1).toLowerCase());
const ownDomains = (emails: readonly string[]): string[] => emails.filter((email) => email.includes('@')).map(domainOf).filter((domain) => !isFreeMail(domain)); // prettier-ignore

/** Whether a directory means this person: the same address, or the same name at the same firm. A name alone is nobody's. */
export function isSamePerson(here: WhoItIs, known: KnownPerson): boolean {
  const addresses = new Set(here.emails.map((email) => email.toLowerCase()));
  if (known.emails.some((email) => addresses.has(email.toLowerCase()))) return true;
  if (!here.fullName.trim() || foldTight(here.fullName) !== foldTight(known.fullName)) return false;
  const domains = new Set(ownDomains(here.emails));
  return isSameName(here.company, known.company) || ownDomains(known.emails).some((domain) => domains.has(domain));
}

/** Whether a directory means this firm: a domain of its own in common, or the same name; two legal forms are two firms. */
export function isSameFirm(here: { name: string; domains: readonly string[] }, known: KnownFirm): boolean {
  const own = new Set(here.domains.map((domain) => registeredDomain(domain.toLowerCase())).filter((domain) => !isFreeMail(domain))); // prettier-ignore
  return known.domains.some((domain) => own.has(registeredDomain(domain.toLowerCase()))) || isSameName(here.name, known.name); // prettier-ignore
}

function isSameName(one: string, other: string): boolean {
  const [form, otherForm] = [legalFormOf(one), legalFormOf(other)];
  return one.trim() !== '' && foldTight(withoutLegalForm(one)) === foldTight(withoutLegalForm(other)) && (form === otherForm || !form || !otherForm); // prettier-ignore
}
