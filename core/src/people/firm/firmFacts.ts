import { phoneKey, websiteKey } from '../../matching';
import { foldTight } from '../../text';
import { isFreeMail, registeredDomain } from '../../text/domains';
import type { PersonFields } from '../personFields';

/** A value with how many people have it. */
export interface Shared<T> {
  value: T;
  people: number;
}

export type FirmAddress = Pick<PersonFields, 'street' | 'postalCode' | 'locality' | 'region' | 'country'>;

export interface FirmFacts {
  /** Registered domains of mailboxes and sites, without those that lend mailboxes to everybody. */
  domains: Shared<string>[];
  /** Numbers at work without their extensions: what several share is the switchboard. */
  phones: Shared<string>[];
  websites: Shared<string>[];
  addresses: Shared<FirmAddress>[];
}

type OfPerson = Pick<PersonFields, 'emails' | 'phones' | 'websites'> & FirmAddress;

const MOST = 6;

/** What is known of a firm from the records of who works there, the most common first. */
export function firmFacts(people: readonly OfPerson[]): FirmFacts {
  const domains = new Tally<string>();
  const phones = new Tally<string>();
  const websites = new Tally<string>();
  const addresses = new Tally<FirmAddress>();
  for (const { emails, phones: numbers, websites: sites, street, postalCode, locality, region, country } of people) {
    const hosts = [
      ...emails.map((email) => email.slice(email.indexOf('@') + 1)),
      ...sites.map((site) => websiteKey(site).split('/')[0]!),
    ];
    domains.person(hosts.map(registeredDomain).filter((host) => host && !isFreeMail(host)).map((host) => [host, host])); // prettier-ignore
    phones.person(numbers.filter(({ kind }) => kind === 'work').map(({ value }) => [phoneKey(value), value]));
    websites.person(sites.map((site) => [websiteKey(site), site]));
    const address = { street, postalCode, locality, region, country };
    const key = foldTight([street, postalCode, locality].join(' '));
    if (key) addresses.person([[key, address]]);
  }
  return { domains: domains.most(), phones: phones.most(), websites: websites.most(), addresses: addresses.most() };
}

/** Values by a key, each person counted once for each; as it was written first. */
class Tally<T> {
  private readonly counts = new Map<string, Shared<T>>();

  person(values: readonly (readonly [key: string, value: T])[]): void {
    for (const [key, value] of new Map(values)) {
      const counted = this.counts.get(key);
      if (counted) counted.people++;
      else this.counts.set(key, { value, people: 1 });
    }
  }

  most(): Shared<T>[] {
    return [...this.counts.values()].sort((a, b) => b.people - a.people).slice(0, MOST);
  }
}
