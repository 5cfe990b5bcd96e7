import type { Counted, Facet, PersonSource } from '@dossier/contract';
import { counted } from '@/lib/counted';
import { countryName } from '@/lib/countries';

export const FACET_LABELS: Readonly<Record<Facet, string>> = {
  occasion: 'Occasion',
  kind: 'Kind',
  owner: 'Owner',
  tag: 'Tag',
  rating: 'Rating',
  company: 'Company',
  country: 'Country',
  town: 'Town',
  consent: 'Consent',
  task: 'Next step',
  email: 'E-mail',
  phone: 'Phone',
  lead: 'What became of leads',
  status: 'Status of leads',
  reason: 'Why leads were closed',
  written: 'Written to',
  reached: 'How far leads have come',
  source: 'How they came',
};

export const SOURCES: Readonly<Record<PersonSource, string>> = {
  card: 'Photographed card',
  text: 'Typed or pasted',
  file: 'Brought in from a file',
};

const VALUES: Readonly<Partial<Record<Facet, Readonly<Record<string, string>>>>> = {
  kind: { lead: 'Leads', contact: 'Contacts' },
  consent: { email: 'May be written to', phone: 'May be called', post: 'May be sent letters', none: 'Nothing agreed' },
  task: { open: 'Has a next step', none: 'Nothing to do' },
  email: { yes: 'Has an e-mail', no: 'No e-mail' },
  phone: { yes: 'Has a phone', no: 'No phone' },
  rating: { '': 'Not rated' },
  lead: { open: 'Open leads', closed: 'Closed leads', qualified: 'Were leads' },
  status: { '': 'No status' },
  source: SOURCES,
  written: { yes: 'Were written to', no: 'Never written to' },
  reached: {
    filed: 'Filed',
    written: 'Written to',
    answered: 'Answered',
    qualified: 'Qualified',
    business: 'Business',
    won: 'Won',
  },
};

/** A value of a facet in words. @param label what the server calls it, for owners, occasions and firms */
export const valueWords = (facet: Facet, value: string, label = value): string =>
  VALUES[facet]?.[value] ?? (facet === 'country' && /^[A-Z]{2}$/.test(value) ? countryName(value) : label);

/** How many people, as surely as they were counted. */
export function peopleWords(total: number, sure: Counted): string {
  if (sure === 'exact') return counted(total, 'person', 'people');
  if (sure === 'least') return `more than ${total.toLocaleString('en')} people`;
  return `about ${rounded(total).toLocaleString('en')} people`;
}

/** The number beside a value. */
export const countWords = (people: number, counted: Counted): string =>
  counted === 'exact'
    ? people.toLocaleString('en')
    : `${counted === 'least' ? 'at least' : 'about'} ${(counted === 'about' ? rounded(people) : people).toLocaleString('en')}`;

/** To two digits that say something. */
const rounded = (people: number): number => {
  const unit = 10 ** Math.max(0, Math.floor(Math.log10(Math.max(1, people))) - 1);
  return Math.round(people / unit) * unit;
};
