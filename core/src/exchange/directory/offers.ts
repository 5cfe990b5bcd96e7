import type { PersonFields } from '../../people';
import { typedPhone } from '../../people/typedPhone';
import { foldTight } from '../../text';
import type { FirmOffer, KnownFirm, KnownPerson, Offer, PersonOffer } from './models';

const MOST_EACH = 12;

/** What a directory knows of somebody that is not written here yet. @param country ISO 3166, of numbers without a code */
export function personOffers(
  here: PersonFields,
  known: KnownPerson,
  country: string | null,
  { portraits }: { portraits: boolean },
): Offer<PersonOffer>[] {
  const offers: Offer<PersonOffer>[] = [];
  if (known.title && foldTight(known.title) !== foldTight(here.title)) offers.push({ field: 'title', value: known.title }); // prettier-ignore
  const numbers = new Set(here.phones.map(({ value }) => value));
  for (const value of distinct(known.phones.map((phone) => typedPhone(phone, country).value)))
    if (value && !numbers.has(value)) offers.push({ field: 'phone', value });
  const pages = new Set(here.websites.map(pageKey));
  for (const value of distinct(known.pages.filter(isPage)))
    if (!pages.has(pageKey(value))) offers.push({ field: 'website', value });
  if (portraits && known.portrait) offers.push({ field: 'portrait', value: known.portrait });
  return offers;
}

/** What a directory knows of a firm. @param here what was taken of it before */
export function firmOffers(here: readonly Offer<FirmOffer>[], known: KnownFirm, country: string | null): Offer<FirmOffer>[] {
  const taken = new Set(here.map(({ field, value }) => `${field} ${foldTight(value)}`));
  const offers: Offer<FirmOffer>[] = [
    { field: 'industry', value: known.industry },
    { field: 'size', value: known.size },
    { field: 'founded', value: known.founded },
    { field: 'phone', value: known.phone && typedPhone(known.phone, country).value },
    { field: 'address', value: known.address },
    ...distinct(known.pages.filter(isPage)).map((value) => ({ field: 'website' as const, value })),
  ];
  return offers.filter(({ field, value }) => value !== '' && !taken.has(`${field} ${foldTight(value)}`));
} // prettier-ignore

/** Somebody with values that were taken: a title in place of theirs, numbers and pages beside those there are. */
export function withTaken(fields: PersonFields, taken: readonly Offer<PersonOffer>[]): PersonFields {
  const after = { ...fields, phones: [...fields.phones], websites: [...fields.websites] };
  for (const { field, value } of taken) {
    if (field === 'title') after.title = value;
    if (field === 'phone' && after.phones.length < MOST_EACH && !after.phones.some((phone) => phone.value === value))
      after.phones.push({ value, kind: 'work', extension: '' });
    if (
      field === 'website' &&
      after.websites.length < MOST_EACH &&
      !after.websites.some((page) => pageKey(page) === pageKey(value))
    )
      // prettier-ignore
      after.websites.push(value);
  }
  return after;
}

/** What stands here now where a value would go; empty for nothing. */
export const hereInstead = (fields: PersonFields, field: PersonOffer): string =>
  field === 'title' ? fields.title : '';

const distinct = (values: readonly string[]): string[] => [...new Set(values)];

/** Pages of the web only: nothing else is opened by a touch. */
const isPage = (value: string): boolean => /^https?:\/\/[^\s/]+\.[^\s]+$/i.test(value) && value.length <= 500;

const pageKey = (page: string): string =>
  page
    .trim()
    .toLowerCase()
    .replace(/^https?:\/\//, '')
    .replace(/^www\./, '')
    .replace(/\/+$/, '');
