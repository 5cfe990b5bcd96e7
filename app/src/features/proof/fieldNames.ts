import type { FieldName, PhoneKind } from '@dossier/core/reading/fields';

/** What fields are called on the desk. */
export const FIELD_LABELS: Record<FieldName, string> = {
  prefix: 'Form of address',
  givenName: 'Given name',
  middleName: 'Middle name',
  familyName: 'Family name',
  suffix: 'Letters after',
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
  note: 'Note',
};

export const PHONE_KINDS: readonly { value: PhoneKind; label: string }[] = [
  { value: 'work', label: 'work' },
  { value: 'mobile', label: 'mobile' },
  { value: 'fax', label: 'fax' },
];
