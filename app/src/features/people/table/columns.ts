import type { ListedPerson, ListOrder } from '@dossier/contract';
import { emptyPersonFields, type PersonFields } from '@dossier/core/people';
import { cellText, type CellColumn, type CellRecord, type CellWords } from '@dossier/core/people/cells';
import { personFieldLabel } from '@/lib/fieldLabels';
import { formatDay, formatWhenShort } from '@/lib/formatDate';

/** What cells are read and written by. */
export interface TableWords extends CellWords {
  occasions: ReadonlyMap<string, string>;
}

export interface PeopleColumn {
  id: string;
  label: string;
  /** In pixels, at first. */
  size: number;
  text: (person: ListedPerson, words: TableWords) => string;
  /** What is written in its cells, where they can be. */
  cell?: CellColumn;
  /** The order of the list that it stands for. */
  sort?: ListOrder;
  /** Whether it is there before anybody chose. */
  isUsual: boolean;
}

/** A person as cells know one; a list tells only the first address and number. */
export const recordOf = (person: ListedPerson): CellRecord => ({
  fields: {
    ...emptyPersonFields(),
    givenName: person.givenName,
    familyName: person.familyName,
    title: person.title,
    department: person.department,
    company: person.company,
    emails: person.email ? [person.email] : [],
    phones: person.phone ? [{ value: person.phone, kind: 'work', extension: person.phoneExtension }] : [],
    street: person.street,
    postalCode: person.postalCode,
    locality: person.town,
    region: person.region,
    country: person.country,
  },
  kind: person.kind,
  rating: person.rating,
  ownerId: person.ownerId,
  tags: person.tags,
});

/** A person of a list with what stands in its cells by now. */
export const listedAs = (person: ListedPerson, { fields, ...rest }: CellRecord, version: number): ListedPerson => ({
  ...person,
  version,
  fullName: renamed(person, fields),
  kind: rest.kind,
  rating: rest.rating,
  ownerId: rest.ownerId,
  tags: [...rest.tags],
  givenName: fields.givenName,
  familyName: fields.familyName,
  title: fields.title,
  department: fields.department,
  company: fields.company,
  email: fields.emails[0] ?? '',
  phone: fields.phones[0]?.value ?? '',
  phoneExtension: fields.phones[0]?.extension ?? '',
  street: fields.street,
  postalCode: fields.postalCode,
  town: fields.locality,
  region: fields.region,
  country: fields.country,
});

/** The whole name holds more than a list tells apart. */
const renamed = ({ fullName, givenName, familyName }: ListedPerson, fields: PersonFields): string =>
  givenName === fields.givenName && familyName === fields.familyName
    ? fullName
    : [fields.givenName, fields.familyName].filter(Boolean).join(' ');

const written = (cell: CellColumn, size: number, isUsual: boolean, more: Partial<PeopleColumn> = {}): PeopleColumn => ({
  id: cell,
  cell,
  label: LABELS[cell] ?? personFieldLabel(cell),
  size,
  isUsual,
  text: (person, words) => cellText(recordOf(person), cell, words),
  ...more,
});

const LABELS: Partial<Record<CellColumn, string>> = {
  email: 'E-mail',
  phone: 'Phone',
  kind: 'Kind',
  rating: 'Rating',
  owner: 'Owner',
  tags: 'Tags',
};

/** The name stays where it is: it says whose row this is. */
export const NAME_COLUMN: PeopleColumn = {
  id: 'name',
  label: 'Name',
  size: 210,
  sort: 'name',
  isUsual: true,
  text: (person) => person.fullName || 'Unnamed',
};

/** In the order in which they stand before anybody moved one. */
export const COLUMNS: readonly PeopleColumn[] = [
  NAME_COLUMN,
  written('title', 190, true),
  written('company', 200, true, { sort: 'company' }),
  written('email', 220, true),
  written('phone', 170, true),
  written('locality', 130, true),
  written('rating', 110, true),
  written('tags', 180, true),
  written('owner', 150, true),
  written('kind', 100, false),
  written('givenName', 140, false),
  written('familyName', 150, false),
  written('department', 160, false),
  written('street', 200, false),
  written('postalCode', 110, false),
  written('region', 130, false),
  written('country', 100, false),
  {
    id: 'occasions',
    label: 'Occasions',
    size: 200,
    isUsual: false,
    text: ({ occasionIds }, { occasions }) => occasionIds.map((id) => occasions.get(id) ?? '').filter(Boolean).join(', '), // prettier-ignore
  },
  {
    id: 'filed',
    label: 'Filed',
    size: 130,
    sort: 'filed',
    isUsual: true,
    text: ({ filedAt }) => formatWhenShort(filedAt),
  },
  {
    id: 'touched',
    label: 'Touched',
    size: 130,
    sort: 'touched',
    isUsual: false,
    text: ({ touchedAt }) => formatWhenShort(touchedAt),
  },
  {
    id: 'next',
    label: 'Next step',
    size: 140,
    sort: 'next',
    isUsual: false,
    text: ({ nextOn }) => (nextOn ? formatDay(nextOn) : ''),
  },
];

export const columnOf = (id: string): PeopleColumn => COLUMNS.find((column) => column.id === id)!;
