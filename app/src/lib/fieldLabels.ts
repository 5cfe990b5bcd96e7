import type { FieldName } from '@dossier/core/reading/fields';

/** What fields are called everywhere. */
export const FIELD_LABELS: Record<FieldName, string> = {
  prefix: 'Before the name',
  givenName: 'Given name',
  middleName: 'Middle name',
  familyName: 'Family name',
  suffix: 'After the name',
  title: 'Title',
  department: 'Department',
  company: 'Company',
  email: 'E-mail',
  phone: 'Phone',
  website: 'Web',
  street: 'Street',
  postalCode: 'Postcode',
  locality: 'Town',
  region: 'Region',
  country: 'Country',
  more: 'Another field',
  note: 'Note',
};

const OF_LISTS: Readonly<Record<string, FieldName>> = {
  emails: 'email',
  phones: 'phone',
  websites: 'website',
  more: 'more',
};

/** What a field of a person is called; its lists are called like their entries. */
export const personFieldLabel = (field: string): string =>
  FIELD_LABELS[OF_LISTS[field] ?? (field as FieldName)] ?? field;
