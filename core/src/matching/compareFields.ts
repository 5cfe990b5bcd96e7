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
import { foldTight } from '../text';
import { companyFormOf } from './companyForm';
import { emailKey, phoneKey, websiteKey } from './contactPointKeys';

/** `both` is for lists: what each of the two has. */
export type Choice = 'keep' | 'take' | 'both';

/** One field in which the card and the known person differ. */
export interface Difference {
  field: TextField | ListField;
  known: string;
  card: string;
  /** What is right most often: take what is new, keep what the card does not say. */
  suggestion: Choice;
}

/** Which fields a person has settled by hand: on the card, and in the record. */
export interface Settled {
  onCard: ReadonlySet<string>;
  inRecord: ReadonlySet<string>;
}

/** What changes with a job: the newer card is right. */
const OF_THE_JOB: readonly TextField[] = ['title', 'department', 'company'];

/**
 * The fields in which a card says something else than the record of a known person. What the card is silent about, or only sets in
 * other capitals, accents, stops or with another legal form, is no difference; addresses and numbers the card adds to a list are
 * one, and both are kept unless somebody chooses otherwise. What a person settled in the record beats what was only read.
 */
export function compareFields(known: PersonFields, card: PersonFields, settled?: Settled): Difference[] {
  const differences: Difference[] = [];
  for (const field of TEXT_FIELDS) {
    if (card[field] === '' || isSame(field, card[field], known[field])) continue;
    const isKept =
      !OF_THE_JOB.includes(field) && known[field] !== '' && settled?.inRecord.has(field) && !settled.onCard.has(field);
    differences.push({ field, known: known[field], card: card[field], suggestion: isKept ? 'keep' : 'take' });
  }
  for (const field of LIST_FIELDS) {
    const merged = mergeList(known, card, field);
    if (fieldText(merged, field) === fieldText(known, field)) continue;
    differences.push({ field, known: fieldText(known, field), card: fieldText(card, field), suggestion: 'both' });
  }
  return differences;
}

const isSame = (field: TextField, a: string, b: string): boolean =>
  foldTight(a) === foldTight(b) || (field === 'company' && b !== '' && companyFormOf(a).key === companyFormOf(b).key);

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
    if (choices[field] === 'both') merged = mergeList(merged, card, field);
    if (choices[field] === 'take' && card[field].length > 0) merged = { ...merged, [field]: card[field] };
  }
  return merged;
}

/**
 * Records of one person in one: the first stays, the others fill what it lacks, title and company are those of the record that
 * changed last, addresses and numbers come together.
 * @param records the one that stays first; `at` is when each was last changed, in milliseconds
 */
export function mergeRecords(records: readonly { fields: PersonFields; at: number }[]): PersonFields {
  const [first, ...others] = records;
  const latest = records.reduce((newest, record) => (record.at > newest.at ? record : newest));
  const merged = others.reduce((whole, { fields }) => {
    const choices = TEXT_FIELDS.filter((field) => whole[field] === '').map((field) => [field, 'take'] as const);
    const lists = LIST_FIELDS.map((field) => [field, 'both'] as const);
    return mergeFields(whole, fields, Object.fromEntries([...choices, ...lists]));
  }, first!.fields);
  const { title, department, company } = latest.fields;
  return company || title
    ? { ...merged, title: title || merged.title, department, company: company || merged.company }
    : merged;
}

const CONTACT_POINT_KEYS = {
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
  if (field === 'phones') return { ...known, phones: merge(known.phones, card.phones, CONTACT_POINT_KEYS.phones) };
  if (field === 'more') return { ...known, more: merge(known.more, card.more, CONTACT_POINT_KEYS.more) };
  return { ...known, [field]: merge(known[field], card[field], CONTACT_POINT_KEYS[field]) };
}

function union<T>(first: readonly T[], second: readonly T[], key: (entry: T) => string): T[] {
  const seen = new Set<string>();
  return [...first, ...second].filter((entry) => !seen.has(key(entry)) && seen.add(key(entry)));
}
