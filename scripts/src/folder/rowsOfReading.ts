import type { AskedReading } from '@dossier/contract';

/** Columns of the file that cards become rows of; the card tells rows apart. */
export const HEAD = ['File', 'Card', 'Outcome', 'Person', 'Prefix', 'Given name', 'Middle name', 'Family name', 'Suffix', 'Title', 'Department', 'Company', 'E-mails', 'Phones', 'Websites', 'Street', 'Postal code', 'Town', 'Region', 'Country', 'Doubts']; // prettier-ignore
export const CARD_COLUMN = HEAD.indexOf('Card');

export const rowsOfReading = (file: string, { cards }: Pick<AskedReading, 'cards'>): string[][] =>
  cards.map(({ id, fields, doubts, outcome }) => [
    file,
    id,
    outcome.state,
    'personId' in outcome ? outcome.personId : '',
    fields.prefix,
    fields.givenName,
    fields.middleName,
    fields.familyName,
    fields.suffix,
    fields.title,
    fields.department,
    fields.company,
    fields.emails.join('; '),
    fields.phones.map(({ value, extension }) => (extension ? `${value} ext. ${extension}` : value)).join('; '),
    fields.websites.join('; '),
    fields.street,
    fields.postalCode,
    fields.locality,
    fields.region,
    fields.country,
    [...new Set(doubts.map(({ field }) => field))].join('; '),
  ]);
