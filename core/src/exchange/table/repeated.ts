import type { MoreEntry, PersonFields, PhoneEntry } from '../../people';
import { typedPhone } from '../../people/typedPhone';
import { addressOnOneLine } from '../asFiled';
import type { PeopleColumn, RowWords } from './models';

/** A part of one of several entries; entries before it that are not there yet are made, and left out in the end when they stay empty. */
export function part<T>(
  list: (fields: PersonFields) => T[],
  empty: () => T,
  { key, header, about }: Pick<PeopleColumn, 'key' | 'header' | 'about'>,
  at: number,
  read: (entry: T) => string,
  write: (entry: T, written: string, words: RowWords) => T | string,
): PeopleColumn {
  return {
    key,
    header,
    type: 'text',
    about,
    get: ({ fields }) => {
      const entry = list(fields)[at];
      return entry === undefined ? '' : read(entry);
    },
    set: ({ fields }, written, words) => {
      const entries = list(fields);
      while (entries.length <= at) entries.push(empty());
      const changed = write(entries[at]!, written, words);
      if (typeof changed === 'string' && typeof entries[at] !== 'string') return changed;
      entries[at] = changed as T;
      return undefined;
    },
  };
}

const PHONE_KINDS: Record<PhoneEntry['kind'], string> = { work: 'Work', mobile: 'Mobile', fax: 'Fax' };
const emptyPhone = (): PhoneEntry => ({ value: '', kind: 'work', extension: '' });
const emptyMore = (): MoreEntry => ({ label: '', value: '' });
const ADDRESS_PARTS = [
  ['street', 'street'],
  ['postalCode', 'postal code'],
  ['locality', 'town'],
  ['region', 'region'],
  ['country', 'country'],
] as const;

/** Number, kind and extension of one of several telephones. @param at from 0 */
export const phoneColumns = (at: number): PeopleColumn[] => {
  const n = at + 1;
  const one = (
    suffix: string,
    header: string,
    about: string,
    read: (entry: PhoneEntry) => string,
    write: (entry: PhoneEntry, written: string, words: RowWords) => PhoneEntry | string,
  ) =>
    // prettier-ignore
    part(({ phones }) => phones, emptyPhone, { key: `phone${n}${suffix}`, header, about }, at, read, write);
  return [
    one('', `Phone ${n}`, 'A telephone number, with the calling code of its country where it is known.', ({ value }) => value, (entry, written, { country }) => ({ ...entry, ...withoutLostExtension(entry, typedPhone(written, country)) })), // prettier-ignore
    one(
      'Kind',
      `Phone ${n} kind`,
      'Work, Mobile or Fax.',
      ({ kind }) => PHONE_KINDS[kind],
      (entry, written) => {
        const kind = (Object.keys(PHONE_KINDS) as PhoneEntry['kind'][]).find((one) => PHONE_KINDS[one].toLowerCase() === written.toLowerCase()); // prettier-ignore
        if (!kind && written) return 'Write Work, Mobile or Fax.';
        return { ...entry, kind: kind ?? 'work' };
      },
    ),
    one('Extension', `Phone ${n} extension`, 'The extension within the firm.', ({ extension }) => extension, (entry, extension) => ({ ...entry, extension })), // prettier-ignore
  ];
};

/** A number that is written without an extension leaves the one that stands beside it. */
const withoutLostExtension = (entry: PhoneEntry, typed: { value: string; extension: string }) =>
  typed.extension ? typed : { value: typed.value, extension: entry.extension };

/** Name, value and, where they have any, parts of an address of one of several further fields. @param at from 0 */
export const moreColumns = (at: number, withAddresses: boolean): PeopleColumn[] => {
  const n = at + 1;
  const one = (
    suffix: string,
    header: string,
    about: string,
    read: (entry: MoreEntry) => string,
    write: (entry: MoreEntry, written: string) => MoreEntry,
  ) =>
    // prettier-ignore
    part(({ more }) => more, emptyMore, { key: `more${n}${suffix}`, header, about }, at, read, write);
  return [
    one(
      'Label',
      `Field ${n} name`,
      'What a further field is called.',
      ({ label }) => label,
      (entry, label) => ({ ...entry, label }),
    ),
    ...(withAddresses ? ADDRESS_PARTS : []).map(
      ([name, called]) =>
      one(`Address${name}`, `Field ${n} ${called}`, `The ${called} of a further address.`, ({ address }) => address?.[name] ?? '', (entry, written) => withAddressPart(entry, name, written)), // prettier-ignore
    ),
    // Written last: where a line was written it stands, else it is made of the parts.
    one(
      '',
      `Field ${n}`,
      'What stands in it.',
      ({ value }) => value,
      (entry, value) => ({ ...entry, value }),
    ),
  ];
};

const NO_ADDRESS = { street: '', postalCode: '', locality: '', region: '', country: '' };

function withAddressPart(entry: MoreEntry, name: keyof typeof NO_ADDRESS, written: string): MoreEntry {
  if (!written && !entry.address) return entry;
  const { address: before, ...rest } = entry;
  const address = { ...NO_ADDRESS, ...before, [name]: written };
  if (!Object.values(address).some(Boolean)) return rest;
  // The line follows its parts where it was made of them.
  const isMade = !entry.value || (before !== undefined && entry.value === addressOnOneLine(before));
  return { ...rest, address, value: isMade ? addressOnOneLine(address) : entry.value };
}
