import { displayName } from '../../people';
import { addressOnOneLine } from '../asFiled';
import type { TakenPerson } from '../takenPerson';

/** A person as another system is told of them. */
export interface HandedPerson extends TakenPerson {
  /** Where they are seen here; null where nobody has said under which address this is. */
  link: string | null;
  /** Where the picture of their card is; null when none is kept. */
  pictureLink: string | null;
  /** What the other system calls their company; null where it has none of it. */
  companyRef: string | null;
  /** By which ways they may be written to or called. */
  consents: readonly string[];
}

/** Something that is known of a person, as it can be put into a field of another system. */
export interface HandOverSource {
  key: string;
  label: string;
  /** All values there are; none where it is not known. */
  get: (person: HandedPerson) => readonly string[];
}

const day = (at: Date): string => at.toISOString().slice(0, 10);
const one = (key: string, label: string, get: (person: HandedPerson) => string | null | undefined): HandOverSource => ({
  key,
  label,
  get: (person) => [get(person) ?? ''].filter(Boolean),
});
const all = (key: string, label: string, get: (person: HandedPerson) => readonly string[]): HandOverSource => ({
  key,
  label,
  get: (person) => get(person).filter(Boolean),
});
const phonesOf = ({ fields }: HandedPerson, ...kinds: string[]): string[] =>
  fields.phones
    .filter(({ kind }) => kinds.includes(kind))
    .map(({ value, extension }) => (extension ? `${value} ext. ${extension}` : value));

const SOURCES: readonly HandOverSource[] = [
  one('prefix', 'Prefix', ({ fields }) => fields.prefix),
  one('givenName', 'Given name', ({ fields }) => fields.givenName),
  one('middleName', 'Middle name', ({ fields }) => fields.middleName),
  one('familyName', 'Family name', ({ fields }) => fields.familyName),
  one('suffix', 'Suffix', ({ fields }) => fields.suffix),
  one('fullName', 'Full name', ({ fields }) => displayName(fields)),
  one('title', 'Title', ({ fields }) => fields.title),
  one('department', 'Department', ({ fields }) => fields.department),
  one('company', 'Company', ({ fields }) => fields.company),
  one('companyRef', 'The company’s record there', ({ companyRef }) => companyRef),
  all('emails', 'E-mails', ({ fields }) => fields.emails),
  all('phones', 'Phones', (person) => phonesOf(person, 'work', 'mobile')),
  all('workPhones', 'Work phones', (person) => phonesOf(person, 'work')),
  all('mobiles', 'Mobiles', (person) => phonesOf(person, 'mobile')),
  all('faxes', 'Faxes', (person) => phonesOf(person, 'fax')),
  all('websites', 'Websites', ({ fields }) => fields.websites),
  one('street', 'Street', ({ fields }) => fields.street),
  one('postalCode', 'Postal code', ({ fields }) => fields.postalCode),
  one('locality', 'Town', ({ fields }) => fields.locality),
  one('region', 'Region', ({ fields }) => fields.region),
  one('country', 'Country', ({ fields }) => fields.country),
  one('address', 'Address on one line', ({ fields }) => addressOnOneLine(fields)),
  one('kind', 'Contact or lead', ({ kind }) => kind),
  one('rating', 'Rating', ({ rating }) => rating),
  one('status', 'Status of a lead', ({ kind, status }) => (kind === 'lead' ? status : null)),
  one('closedOn', 'Closed on', ({ closed }) => closed?.at.slice(0, 10)),
  one('closedWhy', 'Why closed', ({ closed }) => closed?.reason),
  one('qualifiedOn', 'Qualified on', ({ qualifiedAt }) => (qualifiedAt ? day(qualifiedAt) : null)),
  all('tags', 'Tags', ({ tags }) => tags),
  one('owner', 'Owner', ({ owner }) => owner),
  all('occasions', 'Occasions', ({ occasions }) => occasions),
  all('notes', 'Notes', ({ notes }) => notes.map(({ text }) => text)),
  all('consents', 'May be reached by', ({ consents }) => consents),
  one('filedOn', 'Filed on', ({ filedAt }) => day(filedAt)),
  one('nextOn', 'Next step on', ({ nextOn }) => nextOn),
  one('link', 'Link to the person', ({ link }) => link),
  one('pictureLink', 'Link to the card’s picture', ({ pictureLink }) => pictureLink),
  one('id', 'Id', ({ id }) => id),
];

const OWN = 'own:';

/** Everything that can be handed over. @param ownFields names of the workspace's fields beside the usual ones */
export const handOverSources = (ownFields: readonly string[]): HandOverSource[] => [
  ...SOURCES,
  ...ownFields.map((label) => all(`${OWN}${label}`, label, ({ fields }) => fields.more.filter((entry) => entry.label === label).map(({ value }) => value))), // prettier-ignore
];
