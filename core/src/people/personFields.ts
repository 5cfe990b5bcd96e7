import type { PhoneKind } from '../reading/fields';

export interface PhoneEntry {
  value: string;
  kind: PhoneKind;
  extension: string;
}

/** A field with a name of its own: a social handle, a second address, whatever a team files beside the usual. */
export interface MoreEntry {
  label: string;
  value: string;
  /** The parts of an address beside the main one; `value` is then the address in one line. */
  address?: AddressParts;
}

export type AddressParts = Pick<PersonFields, 'street' | 'postalCode' | 'locality' | 'region' | 'country'>;

export const ADDRESS_FIELDS = [
  'street',
  'postalCode',
  'locality',
  'region',
  'country',
] as const satisfies readonly (keyof PersonFields)[];

export const isAddressField = (field: string): field is keyof AddressParts =>
  (ADDRESS_FIELDS as readonly string[]).includes(field);

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
  more: MoreEntry[];
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

export const LIST_FIELDS = ['emails', 'phones', 'websites', 'more'] as const satisfies readonly (keyof PersonFields)[];
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
  more: [],
});

/** One field as text, for comparing and for the change log. */
export function fieldText(fields: PersonFields, field: keyof PersonFields): string {
  const value = fields[field];
  if (typeof value === 'string') return value;
  return value.map(entryText).join(', ');
}

function entryText(entry: string | PhoneEntry | MoreEntry): string {
  if (typeof entry === 'string') return entry;
  if ('label' in entry) return `${entry.label}: ${entry.value}`;
  return `${entry.value}${entry.extension ? ` ext. ${entry.extension}` : ''} (${entry.kind})`;
}
