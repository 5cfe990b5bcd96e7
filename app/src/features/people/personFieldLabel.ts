const LABELS: Record<string, string> = {
  prefix: 'Form of address',
  givenName: 'Given name',
  middleName: 'Middle name',
  familyName: 'Family name',
  suffix: 'Letters after',
  title: 'Title',
  department: 'Department',
  company: 'Company',
  emails: 'E-mail',
  phones: 'Phone',
  websites: 'Web',
  street: 'Street',
  postalCode: 'Postcode',
  locality: 'Town',
  region: 'Region',
  country: 'Country',
};

/** What a field of a person is called. */
export const personFieldLabel = (field: string): string => LABELS[field] ?? field;
