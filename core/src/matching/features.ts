import type { PersonFields } from '../people';
import { isFreeMail, registeredDomain } from '../text/domains';
import { companyFormOf, type CompanyForm } from './companyForm';
import { emailKey, phoneKey, websiteKey } from './contactPointKeys';
import { memo } from './memo';
import { nameFormOf, type NameForm } from './nameForm';
import { isRoleAddress } from './tables/roleAddresses';
import { toLatin } from './transliterate';

/** A person as two of them are compared. */
export interface Features {
  name: NameForm;
  company: CompanyForm | undefined;
  /** Keys by which firms are the same: the name, and domains that are the firm's own. */
  firms: readonly string[];
  /** Addresses of this person alone, as far as one can see. */
  mailboxes: readonly string[];
  /** Addresses of an office. */
  offices: readonly string[];
  /** E.164 or digits, without fax numbers. */
  phones: readonly string[];
  /** Extension by number. */
  extensions: Readonly<Record<string, string>>;
  title: string;
  /** House, street and postal code in one. */
  address: string;
  postalCode: string;
  locality: string;
  country: string;
  /** Where their cards were received. */
  occasions: readonly string[];
}

/** Everything of a person that is compared, as far as it is printed. */
export type MatchFields = Omit<PersonFields, 'department' | 'more' | 'region'>;

/** What is known beside the fields. */
export interface Known {
  /** Keys of the phones in their order, where they were made before. */
  phoneKeys?: readonly string[];
  /** Ids of the occasions at which their cards were received. */
  occasions?: readonly string[];
}

/**
 * @param country ISO 3166 code assumed for numbers without a calling code
 */
export function featuresOf(fields: MatchFields, country?: string, { phoneKeys, occasions = [] }: Known = {}): Features {
  const emails = fields.emails.map(emailKey).filter((email) => email.includes('@'));
  const domains = emails.map((email) => firmDomain(email.slice(email.indexOf('@') + 1)));
  const sites = fields.websites.map((site) => firmDomain(websiteKey(site).split('/')[0]!));
  const company = fields.company.trim() ? companyFormOf(fields.company) : undefined;
  const home = fields.country.length === 2 ? fields.country.toUpperCase() : country;
  const keyed = fields.phones.flatMap(({ value, kind, extension }, i) =>
    kind === 'fax' ? [] : [[phoneKeys?.[i] ?? phoneKey(value, home), extension.replace(/\D/g, '')] as const],
  );
  const postalCode = toLatin(fields.postalCode).replace(/[^a-z0-9]/g, '');
  const street = streetKey(fields.street);
  return {
    name: nameFormOf(fields),
    company: company?.key ? company : undefined,
    firms: distinct([
      ...(company?.key ? [company.key] : []),
      ...[...domains, ...sites].filter(Boolean).map((domain) => `@${domain}`),
    ]),
    mailboxes: distinct(emails.filter((email) => !isRoleAddress(email))),
    offices: distinct(emails.filter(isRoleAddress)),
    phones: distinct(keyed.map(([number]) => number).filter((number) => number.length > 4)),
    extensions: Object.fromEntries(keyed.filter(([, extension]) => extension)),
    title: toLatin(fields.title)
      .replace(/[^a-z0-9]+/g, ' ')
      .trim(),
    address: street && postalCode ? `${street} ${postalCode}` : '',
    postalCode,
    locality: toLatin(fields.locality).replace(/[^a-z]/g, ''),
    country: fields.country.trim().toUpperCase(),
    occasions,
  };
}

/** The registered domain of a host; empty for one that lends mailboxes to everybody. */
const firmDomain = memo((host: string): string => {
  const domain = registeredDomain(host);
  return isFreeMail(domain) ? '' : domain;
});

const distinct = (list: readonly string[]): readonly string[] => (list.length > 1 ? [...new Set(list)] : list);

/** "12 Station Street" and "12, Station St." are one street. */
const streetKey = (street: string): string =>
  toLatin(street)
    .replace(/strasse\b|straat\b|\bstreet\b|str\b/g, ' st ')
    .replace(/\broad\b/g, 'rd')
    .replace(/\bavenue\b/g, 'ave')
    .replace(/[^a-z0-9]/g, '');
