import {
  fieldText,
  LIST_FIELDS,
  TEXT_FIELDS,
  type ListField,
  type MoreEntry,
  type PersonFields,
  type PhoneEntry,
  type TextField,
} from '../people';
import { foldTight } from '../reading/fields';
import { emailKey, phoneKey, websiteKey } from './reachKeys';

export type Choice = 'keep' | 'take';

/** One field in which the card and the known person differ. */
export interface Difference {
  field: TextField | ListField;
  known: string;
  card: string;
  /** What is right most often: take what is new, keep what the card does not say. */
  suggestion: Choice;
}

/**
 * The fields in which a card says something else than the record of a known person. What the card
 * is silent about, or only sets in other capitals, accents or stops, is no difference; addresses and numbers the card adds to a list are one, and
 * taking them keeps those that are there.
 */
export function compareFields(known: PersonFields, card: PersonFields): Difference[] {
  const differences: Difference[] = [];
  for (const field of TEXT_FIELDS) {
    if (card[field] === '' || foldTight(card[field]) === foldTight(known[field])) continue;
    differences.push({ field, known: known[field], card: card[field], suggestion: 'take' });
  }
  for (const field of LIST_FIELDS) {
    const merged = mergeList(known, card, field);
    if (fieldText(merged, field) === fieldText(known, field)) continue;
    differences.push({ field, known: fieldText(known, field), card: fieldText(card, field), suggestion: 'take' });
  }
  return differences;
}

/** The known person's fields with the card's where the choice is to take them; a field without a choice is kept. */
export function mergeFields(
  known: PersonFields,
  card: PersonFields,
  choices: Readonly<Partial<Record<keyof PersonFields, Choice>>>,
): PersonFields {
  let merged: PersonFields = { ...known };
  for (const field of TEXT_FIELDS) {
    if (choices[field] === 'take' && card[field] !== '') merged[field] = card[field];
  }
  for (const field of LIST_FIELDS) {
    if (choices[field] === 'take') merged = mergeList(merged, card, field);
  }
  return merged;
}

/** Which address or number of the card is already known, in words. */
export function sharedReach(
  known: PersonFields,
  card: { emails: readonly string[]; phones: readonly string[] },
  country?: string,
): string[] {
  const emails = new Set(known.emails.map(emailKey));
  const phones = new Set(known.phones.map((p) => phoneKey(p.value, country)));
  return [
    ...card.emails.filter((email) => emails.has(emailKey(email))).map((email) => `same e-mail, ${email}`),
    ...card.phones.filter((phone) => phones.has(phoneKey(phone, country))).map((phone) => `same phone, ${phone}`),
  ];
}

const REACH_KEYS = {
  emails: emailKey,
  websites: websiteKey,
  more: ({ label, value }: MoreEntry) => `${foldTight(label)} ${foldTight(value)}`,
  phones: (phone: PhoneEntry) => `${phoneKey(phone.value)} ${phone.extension}`,
} as const;

/** The card's entries first, since they are the newer ones, then the known ones that it lacks; as it was when the card adds none. */
function mergeList(known: PersonFields, card: PersonFields, field: ListField): PersonFields {
  const merge = <T>(mine: readonly T[], theirs: readonly T[], key: (entry: T) => string): T[] => {
    const keys = new Set(mine.map(key));
    return theirs.every((entry) => keys.has(key(entry))) ? [...mine] : union(theirs, mine, key);
  };
  if (field === 'phones') return { ...known, phones: merge(known.phones, card.phones, REACH_KEYS.phones) };
  if (field === 'more') return { ...known, more: merge(known.more, card.more, REACH_KEYS.more) };
  return { ...known, [field]: merge(known[field], card[field], REACH_KEYS[field]) };
}

function union<T>(first: readonly T[], second: readonly T[], key: (entry: T) => string): T[] {
  const seen = new Set<string>();
  return [...first, ...second].filter((entry) => !seen.has(key(entry)) && seen.add(key(entry)));
}
