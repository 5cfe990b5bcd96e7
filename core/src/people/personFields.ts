import type { PhoneKind } from '../reading/fields';

export interface PhoneEntry {
  value: string;
  kind: PhoneKind;
  extension: string;
}

/** Everything a card can say about a person. Empty text means not known. */
export interface PersonFields {
  prefix: string;
  givenName: string;
  middleName: string;
  familyName: string;
  suffix: string;
  title: string;
  department: string;
  company: string;
  emails: string[];
  phones: PhoneEntry[];
  websites: string[];
  street: string;
  postalCode: string;
  locality: string;
  region: string;
  country: string;
}

export const TEXT_FIELDS = [
  'prefix',
  'givenName',
  'middleName',
  'familyName',
  'suffix',
  'title',
  'department',
  'company',
  'street',
  'postalCode',
  'locality',
  'region',
  'country',
] as const satisfies readonly (keyof PersonFields)[];
export type TextField = (typeof TEXT_FIELDS)[number];

export const LIST_FIELDS = ['emails', 'phones', 'websites'] as const satisfies readonly (keyof PersonFields)[];
export type ListField = (typeof LIST_FIELDS)[number];

export const emptyPersonFields = (): PersonFields => ({
  prefix: '',
  givenName: '',
  middleName: '',
  familyName: '',
  suffix: '',
  title: '',
  department: '',
  company: '',
  emails: [],
  phones: [],
  websites: [],
  street: '',
  postalCode: '',
  locality: '',
  region: '',
  country: '',
});

/** One field as text, for comparing and for the change log. */
export function fieldText(fields: PersonFields, field: keyof PersonFields): string {
  const value = fields[field];
  if (typeof value === 'string') return value;
  return value
    .map((entry) =>
      typeof entry === 'string'
        ? entry
        : `${entry.value}${entry.extension ? ` ext. ${entry.extension}` : ''} (${entry.kind})`,
    )
    .join(', ');
}
