import { withoutLegalForm } from '../text/legalForm';
import { isClose, typingDistance } from './likeness';
import { memo } from './memo';
import { isFiller, spelledOut } from './tables/companyAbbreviations';
import { toLatin } from './transliterate';

/** A company's name as it is compared. */
export interface CompanyForm {
  /** Words without legal form and fillers, abbreviations spelled out, in one piece. */
  key: string;
  words: readonly string[];
  initials: string;
}

export const companyFormOf = memo((name: string): CompanyForm => {
  const bare = withoutLegalForm(withoutLegalForm(name));
  const words = toLatin(bare || name)
    .replace(/(?<=[a-z])[01](?=[a-z])/g, (sign) => (sign === '0' ? 'o' : 'l'))
    .replace(/['’]/g, '')
    .replace(/\b([a-z])\.(?=[a-z]\b)/g, '$1')
    .split(/[^a-z0-9]+/)
    .filter(Boolean)
    .map(spelledOut);
  const telling = words.filter((word) => !isFiller(word));
  const kept = telling.length > 0 ? telling : words;
  return { key: kept.join(''), words: kept, initials: kept.map((word) => word[0]).join('') };
});

export type CompanyLikeness = 'same' | 'close' | 'different';

/** Same but for legal form, signs and abbreviations; close for slips, initials, a word more or less, words in another order. */
export function companyLikeness(a: CompanyForm, b: CompanyForm): CompanyLikeness {
  if (a.key === b.key) return 'same';
  const [short, long] = a.key.length <= b.key.length ? [a, b] : [b, a];
  if (short.key.length >= 2 && short.words.length === 1 && long.words.length > 1 && short.key === long.initials)
    return 'close';
  if (short.key.length >= 5 && typingDistance(a.key, b.key, 2) <= (short.key.length >= 9 ? 2 : 1)) return 'close';
  const found = short.words.filter((word) =>
    long.words.some((other) => word === other || (word.length > 4 && isClose(word, other))),
  );
  const letters = found.join('').length;
  // All words of the shorter name in the longer one, and enough of them to mean this firm.
  return found.length === short.words.length && letters >= 5 && letters >= 0.4 * long.key.length
    ? 'close'
    : 'different';
}
